import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { explanationOf } from './fields';
import { HELPED, helpOf } from './stages';

const ROUTES = new URL('../../routes', import.meta.url).pathname;
const files = (readdirSync(ROUTES, { recursive: true }) as string[]).map((one) => `/${one}`);
const pages = files
	.filter((file) => file.endsWith('/+page.svelte'))
	.map((file) => file.slice(0, -'/+page.svelte'.length) || '/');

describe('the help of a page', () => {
	it('is its own on every stage of a visit and in every room of a site', () => {
		for (const page of pages) {
			const [, first, second, third] = page.split('/');
			const stage = third && !['combiner', 'curves', 'instruments', 'purpose'].includes(third);
			if (first === 'visits' && second && stage) expect(helpOf(page), page).not.toBe(helpOf('/'));
		}
	});
	it('is that of the nearest page above where it has none', () => {
		expect(helpOf('/sites/[site]/monitoring/course').title).toBe('Monitoring');
		expect(helpOf('/sites/[site]').title).toBe('Site');
		expect(helpOf(null).title).toBe('Sites');
		expect(helpOf('/benchmark').title).toBe('Sites');
	});
	it('is for pages that are there', () => {
		expect(HELPED.filter((route) => !pages.includes(route))).toEqual([]);
	});
});

describe('the explanation of a field', () => {
	it('is short enough to read in gloves, and there for what a label states', () => {
		for (const name of ['pmax', 'vmp', 'imp', 'voc', 'isc', 'alpha', 'beta', 'cellsInSeries']) {
			expect(explanationOf(name)!.length).toBeLessThan(160);
		}
		expect(explanationOf('toString')).toBeNull();
	});
	it('is of fields that some form has', () => {
		const source = (readdirSync('src', { recursive: true }) as string[])
			.filter((file) => /\.(svelte|ts)$/.test(file) && !file.includes('help/'))
			.map((file) => readFileSync(`src/${file}`, 'utf8'))
			.join('\n');
		const words = readFileSync(new URL('./fields.ts', import.meta.url), 'utf8');
		const names = [...words.matchAll(/^\t(\w+):/gm)].map(([, name]) => name!);
		expect(names.length).toBeGreaterThan(20);
		expect(names.filter((name) => !new RegExp(`\\b${name}\\b`).test(source))).toEqual([]);
	});
});
