import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { loadAnew } from './load-anew';

const page = vi.hoisted(() => ({
	navigating: { complete: null as Promise<void> | null },
	loaded: [] as string[]
}));
vi.mock('$app/state', () => ({ navigating: page.navigating }));
vi.mock('$app/navigation', () => ({
	invalidate: (name: string) => Promise.resolve(page.loaded.push(name)),
	invalidateAll: () => Promise.resolve(page.loaded.push('all'))
}));

beforeEach(() => {
	page.navigating.complete = null;
	page.loaded.length = 0;
	vi.stubGlobal('fetch', () => Promise.resolve(new Response()));
});
afterEach(() => vi.unstubAllGlobals());

it('loads nothing where the server does not answer: the page and what it holds stay', async () => {
	vi.stubGlobal('fetch', () => Promise.reject(new TypeError('gone')));
	await loadAnew();
	vi.stubGlobal('fetch', () => Promise.resolve(new Response('', { status: 502 })));
	await loadAnew();
	expect(page.loaded).toEqual([]);
});

it('loads at once where nobody goes anywhere', async () => {
	await loadAnew();
	await loadAnew('site:record');
	expect(page.loaded).toEqual(['all', 'site:record']);
});

it('waits until a navigation under way is through', async () => {
	let arrive!: () => void;
	page.navigating.complete = new Promise((resolve) => (arrive = resolve));
	const loading = loadAnew();
	await new Promise((resolve) => setImmediate(resolve));
	expect(page.loaded).toEqual([]);
	page.navigating.complete = null;
	arrive();
	await loading;
	expect(page.loaded).toEqual(['all']);
});

it('waits for the next where one gives way to it', async () => {
	let arrive!: () => void;
	let giveWay!: (cause: Error) => void;
	const next = new Promise<void>((resolve) => (arrive = resolve));
	page.navigating.complete = new Promise((_, reject) => (giveWay = reject));
	const loading = loadAnew();
	await new Promise((resolve) => setImmediate(resolve));
	page.navigating.complete = next;
	giveWay(new Error('navigation aborted'));
	await new Promise((resolve) => setImmediate(resolve));
	expect(page.loaded).toEqual([]);
	page.navigating.complete = null;
	arrive();
	await loading;
	expect(page.loaded).toEqual(['all']);
});
