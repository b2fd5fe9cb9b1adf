// The texts that people read, against the code that says them.
//   npm run messages            writes the keys and what values each takes (core/src/messages/keys.ts) from the English texts,
//                               and which languages there are (messages/src/languages.ts) from the files there are
//   npm run messages -- --check fails where those are not as written, a text is missing in a language or cannot be read, takes
//                               other values than the English one, or is said nowhere
import { TYPE, parse } from '@formatjs/icu-messageformat-parser';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { format } from 'prettier';
import { filesUnder, ROOT } from './lib.mjs';

const TEXTS = join(ROOT, 'messages/src/texts');
const KEYS = join(ROOT, 'core/src/messages/keys.ts');
const LANGUAGES = join(ROOT, 'messages/src/languages.ts');
const wrong = [];

/** The places of a text, each with what it takes: a count, or anything that can be said. */
function placesOf(parts, places = new Map()) {
  for (const part of parts) {
    // A place written with a capital is the same, filled in with a capital.
    const name = part.value?.replace?.(/^[A-Z]/, (first) => first.toLowerCase());
    if (part.type === TYPE.argument && !places.has(name)) places.set(name, 'Value');
    if (part.type === TYPE.select) places.set(part.value, `string of ${Object.keys(part.options).sort().join('|')}`);
    if (part.type === TYPE.plural) places.set(part.value, 'number');
    if (part.type === TYPE.select || part.type === TYPE.plural)
      for (const { value } of Object.values(part.options)) placesOf(value, places);
  }
  return places;
}

function placesOfText(language, key, text) {
  try {
    return placesOf(parse(text, { ignoreTag: true }));
  } catch (error) {
    wrong.push(`${language}: ${key} cannot be read (${error.message}): ${text}`);
    return new Map();
  }
}

const read = (language) => JSON.parse(readFileSync(join(TEXTS, `${language}.json`), 'utf8'));
/** The places of a text, and what each chooses among. */
const namesOf = (places) =>
  [...places]
    .map(([name, takes]) => (takes.startsWith('string of') ? `${name} (${takes})` : name))
    .sort()
    .join(', ');
const typeOf = (takes) => takes.split(' ')[0];

const english = read('en');
const keys = Object.keys(english).sort();
const places = new Map(keys.map((key) => [key, placesOfText('en', key, english[key])]));

const lines = keys.map((key) => {
  const values = [...places.get(key)].map(([name, type]) => `readonly ${name}: ${typeOf(type)}`);
  return `  '${key}': ${values.length > 0 ? `{ ${values.join('; ')} }` : 'None'};`;
});
const spoken = readdirSync(TEXTS)
  .map((file) => basename(file, '.json'))
  .sort();
const languages = await format(
  `import type { LanguageOf } from './language.js';

/** The languages there are texts in. Written by \`npm run messages\`, an entry a file of texts. */
export const LANGUAGES = {
${spoken
  .map((id) => {
    const { 'language.name': name, 'language.tag': tag } = read(id);
    return `  ${id}: { name: '${name}', tag: '${tag}', texts: async () => (await import('./texts/${id}.json', { with: { type: 'json' } })).default },`;
  })
  .join('\n')}
} as const satisfies Readonly<Record<string, LanguageOf>>;

export type Language = keyof typeof LANGUAGES;
`,
  { parser: 'typescript', singleQuote: true, printWidth: 120 },
);
const written = await format(
  `import type { Value } from './message.js';

type None = Readonly<Record<never, never>>;

/** Every text there is, and what stands in it. Written by \`npm run messages\` from the English texts. */
export interface MessageValues {
${lines.join('\n')}
}
`,
  { parser: 'typescript', singleQuote: true, printWidth: 120 },
);

function checkLanguages() {
  for (const language of readdirSync(TEXTS).map((file) => basename(file, '.json'))) {
    const texts = read(language);
    for (const key of keys) {
      if (texts[key] === undefined) wrong.push(`${language}: ${key} is missing.`);
      else if (namesOf(placesOfText(language, key, texts[key])) !== namesOf(places.get(key)))
        wrong.push(`${language}: ${key} takes other values than the English text (${namesOf(places.get(key))}).`);
    }
    for (const key of Object.keys(texts)) if (english[key] === undefined) wrong.push(`${language}: ${key} is no key.`);
  }
}

/** Every key stands somewhere in the code, whole or as the beginning of one that is put together: `quantity.${word}`. */
function checkUsed() {
  const code = ['core', 'contract', 'calendar', 'messages', 'cli', 'server', 'web']
    .map((part) => join(ROOT, part, 'src'))
    .filter(existsSync)
    .flatMap(filesUnder)
    .filter((file) => /\.(ts|html)$/.test(file) && !/\.spec\.ts$/.test(file) && file !== KEYS)
    .map((file) => readFileSync(file, 'utf8'))
    .join('\n');
  const ofLanguage = new Set(['language.name', 'language.tag']);
  const whole = new Set([...code.matchAll(/['"`]([a-z][\w-]*(?:\.[\w-]+)+)['"`]/g)].map(([, key]) => key));
  const begun = [...code.matchAll(/`([a-z][\w.-]*\.[\w.-]*)\$\{/g)].map(([, start]) => start);
  for (const key of keys) {
    if (!ofLanguage.has(key) && !whole.has(key) && !begun.some((start) => key.startsWith(start)))
      wrong.push(`${key} is said nowhere.`);
  }
}

if (process.argv.includes('--check')) {
  checkLanguages();
  checkUsed();
  if (readFileSync(KEYS, 'utf8') !== written || readFileSync(LANGUAGES, 'utf8') !== languages)
    wrong.push('The keys and languages are not as the texts have them: run `npm run messages`.');
} else {
  writeFileSync(KEYS, written);
  writeFileSync(LANGUAGES, languages);
}
if (wrong.length > 0) {
  process.stderr.write(`${wrong.join('\n')}\n`);
  process.exit(1);
}
