import type { ServerTCP } from 'modbus-serial';
import { createServer, type AddressInfo, type Server } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { CARD_DAY, exactFigure, STRINGS } from '../../../../demo/saltmarsh';
import { startInverter } from '../../../../instruments/inverter';
import { startMeter } from '../../../../instruments/meter';
import { readAddress } from './address';
import { openLine } from './line';
import { readMeter } from './scpi';
import { readInverter } from './sunspec';

/* The readers against the simulated instruments, which are told what to do wrong. */

let meter: Server;
let inverter: ServerTCP;
let meterPort: number;
let inverterPort: number;

async function freePort(): Promise<number> {
	const probe = createServer();
	await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
	const { port } = probe.address() as AddressInfo;
	await new Promise((resolve) => probe.close(resolve));
	return port;
}

beforeAll(async () => {
	[meterPort, inverterPort] = [await freePort(), await freePort()];
	meter = await startMeter(meterPort);
	inverter = await startInverter(inverterPort);
});
afterAll(() => {
	meter?.close();
	inverter?.close(() => undefined);
});

const atMeter = () => ({ host: '127.0.0.1', port: meterPort });
const atInverter = () => ({ host: '127.0.0.1', port: inverterPort });

async function tellMeter(trouble: string): Promise<void> {
	const line = await openLine(atMeter());
	if (!line.ok) throw new Error(line.problem.words);
	await line.value.ask(`SIM:TROU ${trouble}`);
	line.value.close();
}

async function tellInverter(trouble: number): Promise<void> {
	const { default: ModbusRTU } = await import('modbus-serial');
	const client = new ModbusRTU();
	await client.connectTCP('127.0.0.1', { port: inverterPort });
	client.setID(1);
	await client.writeRegister(49_999, trouble);
	client.close(() => undefined);
}

describe('an address', () => {
	it.each([
		'127.0.0.1:5025',
		'localhost:502',
		'192.168.0.20:502',
		'10.1.2.3:1',
		'[::1]:502',
		'172.16.0.9:80'
	])('%s is asked', (typed) => expect(readAddress(typed).ok).toBe(true));
	it.each([
		['8.8.8.8:53', /outside this network/],
		['172.32.0.1:502', /outside this network/],
		['meter.example:502', /not looked up/],
		['192.168.0.20', /no address/],
		['192.168.0.20:99999', /no address/],
		['', /no address/],
		['http://10.0.0.1:80', /no address|not looked up/]
	])('%s is refused', (typed, words) => {
		const read = readAddress(typed);
		if (read.ok) throw new Error('it was let through');
		expect(read.problem).toMatch(words);
	});
});

describe('a meter by SCPI', () => {
	it('is read once it stands still, with the planted fault of where its probes are', async () => {
		for (const label of ['A1', 'A2', 'B1']) {
			const string = STRINGS.find((one) => one.label === label)!;
			const probe = { label, quantity: 'open-circuit-voltage', kind: 'string' } as const;
			const read = await readMeter(atMeter(), 'dc-voltage', probe);
			if (!read.ok) throw new Error(read.problem.words);
			const { value } = exactFigure(string, 'open-circuit-voltage', CARD_DAY);
			expect(Math.abs(read.value.value / value - 1)).toBeLessThan(0.002);
			expect(read.value.takes).toBeGreaterThanOrEqual(3);
			expect(read.value.identity).toContain('SIMULATED');
		}
	});

	it('that is gone, drops the line or answers nonsense is said so in words', async () => {
		const gone = await readMeter({ host: '127.0.0.1', port: await freePort() }, 'dc-voltage', null);
		expect(gone).toMatchObject({ ok: false, problem: { state: 'gone' } });
		await tellMeter('drop');
		expect(await readMeter(atMeter(), 'dc-voltage', null)).toMatchObject({
			problem: { state: 'dropped', words: expect.stringContaining('dropped the line') }
		});
		await tellMeter('garbage');
		expect(await readMeter(atMeter(), 'dc-voltage', null)).toMatchObject({
			problem: { state: 'garbage', words: expect.stringContaining('Nothing was stored') }
		});
		await tellMeter('none');
		expect(await readMeter(atMeter(), 'dc-current', null)).toMatchObject({ ok: true });
	});

	it('that is slow is not waited for for ever', async () => {
		await tellMeter('slow');
		const slow = await readMeter(atMeter(), 'dc-voltage', null);
		expect(slow).toMatchObject({ problem: { state: 'silent' } });
		await tellMeter('none');
	});
});

describe('an inverter by SunSpec', () => {
	it('says who it is, its power and its inputs', async () => {
		const read = await readInverter(atInverter(), 1);
		if (!read.ok) throw new Error(read.problem.words);
		const { manufacturer, model, state, acWatts, dcWatts, inputs } = read.value;
		expect([manufacturer, model, state]).toEqual(['Zembo demo', 'SIMULATED INVERTER', 'tracking']);
		expect(inputs.map(({ name }) => name)).toEqual(['1', '2']);
		const total = inputs.reduce((sum, { watts }) => sum + watts!, 0);
		expect(Math.abs(total / dcWatts! - 1)).toBeLessThan(0.02);
		expect(acWatts! / dcWatts!).toBeGreaterThan(0.93);
		expect(inputs[0]!.volts! * inputs[0]!.amps!).toBeGreaterThan(5000);
	});

	it('that is gone, drops, answers nonsense or not at all is said so in words', async () => {
		const nobody = { host: '127.0.0.1', port: await freePort() };
		expect(await readInverter(nobody, 1)).toMatchObject({ problem: { state: 'gone' } });
		await tellInverter(2);
		expect(await readInverter(atInverter(), 1)).toMatchObject({
			problem: { state: 'garbage', words: expect.stringContaining('not with SunSpec models') }
		});
		await tellInverter(1);
		const dropped = await readInverter(atInverter(), 1);
		expect(dropped).toMatchObject({ ok: false });
		await tellInverter(0);
		expect(await readInverter(atInverter(), 1)).toMatchObject({ ok: true });
	});
});
