import { say } from '@oat-crock/core';
import { CannotOpen } from './safekeeping/trouble.js';
import { serve } from './serve.js';
import { settingsFrom } from './settings.js';
import { wordsOfMachine } from './words.js';

const words = wordsOfMachine(process.env);

async function main(): Promise<void> {
  const settings = settingsFrom(process.env, process.argv);
  const { kitchen, address, closed, close } = await serve(settings);
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => void close().then(() => process.exit(0)));
  const tell = (text: ReturnType<typeof say>) => process.stdout.write(`${words(text)}\n`);
  tell(say('server.main.open', { address: `${address}/`, file: settings.file }));
  if (closed && kitchen.access.passphrase() === null) tell(say('server.main.closed', { address: `${address}/` }));
}

main().catch((error: NodeJS.ErrnoException) => {
  const why =
    error instanceof CannotOpen
      ? `${words(error.text)}\n${words(error.remedy)}`
      : error.code === 'EADDRINUSE'
        ? words(say('server.main.portTaken'))
        : error.message;
  process.stderr.write(`Oat Crock: ${why}\n`);
  process.exit(1);
});
