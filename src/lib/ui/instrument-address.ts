/* Addresses of the instruments that this device uses, kept in this browser alone. */

const METER = 'zembo-meter-address';
const INVERTER = 'zembo-inverter-address';

const stored = (name: string): string => globalThis.localStorage?.getItem(name) ?? '';

/** Host and port of the meter; empty where none is used. */
export const meterAddress = (): string => stored(METER);
export const inverterAddress = (): string => stored(INVERTER);

export function keepAddress(which: 'meter' | 'inverter', address: string): void {
	localStorage.setItem(which === 'meter' ? METER : INVERTER, address.trim());
}
