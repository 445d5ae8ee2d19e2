import { beforeEach, describe, expect, it, vi } from 'vitest';

const router = vi.hoisted(() => ({ page: { url: new URL('http://zembo/bench/wire') } }));
vi.mock('$app/state', () => router);
const replaced = vi.hoisted(() => [] as string[]);
vi.mock('$app/navigation', () => ({ replaceState: (url: URL) => replaced.push(url.href) }));
const { FigureForm, given } = await import('./figure-form.svelte');

const FIELDS = {
	length: { words: 'Length of the cable', min: 1, max: 500, unit: 'm', first: '30' },
	size: { words: 'Conductor', min: 0.5, max: 300, unit: 'mm²', first: '' },
	heat: { words: 'Air', min: -40, max: 70, unit: '°C', first: '', optional: true }
} as const;
const form = (query = '') => {
	router.page.url = new URL(`http://zembo/bench/wire${query}`);
	return new FigureForm(FIELDS);
};

beforeEach(() => {
	replaced.length = 0;
	vi.stubGlobal('location', { href: 'http://zembo/bench/wire?size=4' });
});

describe('the figures of a question', () => {
	it('begin with what is usual, or what stands in the address', () => {
		expect(form().typed).toEqual({ length: '30', size: '', heat: '' });
		expect(form('?length=12&size=6').typed).toEqual({ length: '12', size: '6', heat: '' });
	});

	it('are read as people write them', () => {
		const asked = form('?size=2,5&heat=-5');
		expect(asked.figures).toEqual({ length: 30, size: 2.5, heat: -5 });
		expect(asked.one('size')).toBe(2.5);
	});

	it('are none while one of them is missing or cannot be read', () => {
		expect(form().figures).toBeNull();
		expect(form('?size=thick').figures).toBeNull();
		expect(form('?size=thick').one('size')).toBeNull();
	});

	it('may be left empty where that is said', () => {
		const { heat: cellTemperature } = form('?size=4').figures!;
		expect(given(cellTemperature)).toBeNull();
		expect(given(12)).toBe(12);
	});
});

describe('what is wrong with a figure', () => {
	it('is said in words, of the one field alone', () => {
		const asked = form('?length=9000&size=4');
		expect(asked.errorsOf('length')[0]).toMatch(/500 m/);
		expect(asked.errorsOf('size')).toEqual([]);
		expect(asked.typed.length).toBe('9000');
	});

	it('is said of an empty one only where it is needed', () => {
		expect(form().errorsOf('size')).toEqual(['Type conductor.']);
		expect(form().errorsOf('heat')).toEqual([]);
	});
});

describe('the address', () => {
	it('gets what is typed, and loses what was emptied', () => {
		const asked = form('?size=4');
		asked.typed = { length: '12', size: '', heat: '' };
		asked.keep();
		expect(replaced).toEqual(['http://zembo/bench/wire?length=12']);
	});
});
