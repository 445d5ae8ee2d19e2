import { writeFileSync } from 'node:fs';
import { cardTable, saltmarshVisit } from './saltmarsh';

/*
 * Makes the demo's readings anew after a change, with `node build-tools/plant-demo.js`: writes the
 * visit beside this file and prints the card for the README.
 */
writeFileSync('demo/saltmarsh-2026-11-17.zembo-visit.json', saltmarshVisit());
console.log(cardTable());
