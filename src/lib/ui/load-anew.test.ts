import { beforeEach, expect, it, vi } from 'vitest';
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
	await Promise.resolve();
	expect(page.loaded).toEqual([]);
	arrive();
	await loading;
	expect(page.loaded).toEqual(['all']);
});
