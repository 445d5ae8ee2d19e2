import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inverterAddress, keepAddress, meterAddress } from '../ui/instrument-address';
import { keepEntries, keptEntries } from './kept-entries';

class Store {
	readonly items = new Map<string, string>();
	getItem(name: string): string | null {
		return this.items.get(name) ?? null;
	}
	setItem(name: string, value: string): void {
		this.items.set(name, value);
	}
	removeItem(name: string): void {
		this.items.delete(name);
	}
}
let session: Store;
beforeEach(() => {
	session = new Store();
	vi.stubGlobal('sessionStorage', session);
	vi.stubGlobal('localStorage', new Store());
});
afterEach(() => vi.unstubAllGlobals());

describe('what is typed and not stored yet', () => {
	it('comes back by visit, and is let go once it is stored', () => {
		keepEntries('a', { typed: { 'x/voc': '46' }, bus: { '1': '370' } });
		expect(keptEntries('a')).toEqual({ typed: { 'x/voc': '46' }, bus: { '1': '370' } });
		expect(keptEntries('b')).toEqual({ typed: {}, bus: {} });
		keepEntries('a', { typed: { 'x/voc': '' }, bus: {} });
		expect(session.items.size).toBe(0);
	});

	it('that was spoilt is nothing, not an error', () => {
		session.setItem('zembo-typed-a', '{half');
		expect(keptEntries('a')).toEqual({ typed: {}, bus: {} });
	});
});

describe('addresses of instruments', () => {
	it('are kept on this device, without blanks', () => {
		expect([meterAddress(), inverterAddress()]).toEqual(['', '']);
		keepAddress('meter', ' 192.168.0.20:5025 ');
		keepAddress('inverter', '10.0.0.4:502');
		expect([meterAddress(), inverterAddress()]).toEqual(['192.168.0.20:5025', '10.0.0.4:502']);
	});
});
