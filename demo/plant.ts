import { writeFileSync } from 'node:fs';
import { VISITS } from './visits';
import { cardTable } from './saltmarsh';

/*
 * Makes the demo's files anew after a change, with `node build-tools/plant-demo.js`: writes the visits
 * beside this file and prints the card for the README.
 */
for (const [name, write] of Object.entries(VISITS)) writeFileSync(`demo/${name}`, write());
console.log(cardTable());
