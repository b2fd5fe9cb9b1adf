// Installs and builds everything, when it has changed.
import { ensureBuilt, ensureInstalled } from './lib.mjs';

ensureInstalled();
ensureBuilt();
