// Draws every model of docs/models.md from the engine as it is.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { engine, ensureInstalled, must, ROOT } from './lib.mjs';
import { draw } from './plots/draw.mjs';
import { makePlots } from './plots/makes.mjs';
import { modelPlots } from './plots/models.mjs';

ensureInstalled();
must('npx', ['tsc', '-b', 'core']);
const core = await engine();
for (const [name, plot] of Object.entries({ ...modelPlots(core), ...makePlots(core) })) {
  writeFileSync(join(ROOT, 'docs/plots', `${name}.svg`), draw(plot));
}
