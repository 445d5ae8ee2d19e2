import { vi } from 'vitest';

/** A browser's store in memory, in the place of the real one; what it holds, by name. */
export function fakeStorage(): Map<string, string> {
	const kept = new Map<string, string>();
	vi.stubGlobal('localStorage', {
		getItem: (name: string) => kept.get(name) ?? null,
		setItem: (name: string, value: string) => kept.set(name, value)
	});
	return kept;
}
