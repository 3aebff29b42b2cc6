import { readFileSync, writeFileSync } from 'node:fs';
import { written } from './layers';

/** Writes the linter’s import rule from the list of layers: `node --import tsx checks/writeLayers.ts`. */
writeFileSync('biome.json', written(readFileSync('biome.json', 'utf8')));
