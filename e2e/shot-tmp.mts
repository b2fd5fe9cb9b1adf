import { chromium } from 'playwright';
const [addr, out, path, ...keys] = process.argv.slice(2);
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await b.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
page.on('console', (m) => { if (m.type() === 'error') console.log('console', m.text().slice(0, 200)); });
await page.goto(addr + path); await page.waitForTimeout(9000);
for (const k of keys) { await page.keyboard.press(k); await page.waitForTimeout(2500); }
await page.screenshot({ path: out }); await b.close();
