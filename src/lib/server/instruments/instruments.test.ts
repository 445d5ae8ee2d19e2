import type { ServerTCP } from 'modbus-serial';
import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { CARD_DAY, exactFigure, STRINGS } from '../../../../demo/saltmarsh';
import { startInverter } from '../../../../instruments/inverter';
import { startMeter } from '../../../../instruments/meter';
import { instrumentList, readAddress } from './address';
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

async function tellMeter(problem: string): Promise<void> {
	const line = await openLine(atMeter());
	if (!line.ok) throw new Error(line.problem.words);
	await line.value.ask(`SIM:TROU ${problem}`);
	line.value.close();
}

async function tellInverter(problem: number): Promise<void> {
	const { default: ModbusRTU } = await import('modbus-serial');
	const client = new ModbusRTU();
	await client.connectTCP('127.0.0.1', { port: inverterPort });
	client.setID(1);
	await client.writeRegister(49_999, problem);
	client.close(() => undefined);
}

describe('an address', () => {
	const listed = instrumentList({
		ZEMBO_INSTRUMENTS:
			'192.168.0.0/16, 10.1.2.3, fd00::/8, 8.8.8.0/24, 0.0.0.0/0, 169.254.0.0/16, x',
		ZEMBO_INSTRUMENT_PORTS: '502,5025'
	});
	it.each(['127.0.0.1:5025', 'localhost:502', '[::1]:5020'])(
		'%s is asked without a list',
		(typed) => expect(readAddress(typed, instrumentList({})).ok).toBe(true)
	);
	it.each(['192.168.0.20:502', '10.1.2.3:5025', '[fd12::7]:502', '127.0.0.1:502'])(
		'%s is asked where it is listed',
		(typed) => expect(readAddress(typed, listed).ok).toBe(true)
	);
	it.each([
		['8.8.8.8:502', /not on the list of instrument networks/],
		['10.1.2.4:502', /networks/],
		['169.254.169.254:502', /networks/],
		['[fe80::1]:502', /networks/],
		['[fd00:ec2::254]:502', /networks/],
		['0.0.0.0:502', /networks/],
		['[::ffff:8.8.8.8]:502', /networks/],
		['192.168.0.20:22', /ports/],
		['127.0.0.1:5020', /ports/],
		['meter.example:502', /not looked up/],
		['192.168.0.20', /no address/],
		['192.168.0.20:99999', /no address/],
		['', /no address/],
		['http://10.0.0.1:80', /no address|not looked up/]
	])('%s is refused', (typed, words) => {
		const read = readAddress(typed, listed);
		if (read.ok) throw new Error('it was let through');
		expect(read.problem).toMatch(words);
	});
	it('of a private network is refused until it is listed', () => {
		expect(readAddress('192.168.0.20:502', instrumentList({})).ok).toBe(false);
	});
});

/** What a stranger answers to whatever it is asked; loopback. */
async function stranger(answer: (said: string, socket: Socket) => void) {
	const heard: string[] = [];
	const server = createServer((socket) => {
		socket.on('error', () => undefined);
		socket.on('data', (chunk) => {
			heard.push(chunk.toString());
			answer(chunk.toString(), socket);
		});
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	return { server, heard, at: { host: '127.0.0.1', port: (server.address() as AddressInfo).port } };
}

describe('a stranger at the address', () => {
	it('is never quoted, whatever it says', async () => {
		for (const banner of ['SECRET-4.2 ready\n', 'a,SECRET\nSECRET\n', `${'SECRET'.repeat(2000)}`]) {
			const { server, at } = await stranger((_, socket) => socket.write(banner));
			for (const read of [
				await readMeter(at, 'dc-voltage', null),
				await readInverter(at, 1, 200)
			]) {
				expect(read.ok).toBe(false);
				expect(JSON.stringify(read)).not.toContain('SECRET');
			}
			server.close();
		}
	});

	it('is told one command a line, whatever a label holds', async () => {
		const { server, heard, at } = await stranger((said, socket) =>
			socket.write(said.startsWith('*IDN?') ? 'a,SIMULATED\n' : '1\n')
		);
		const probe = {
			label: 'A1\nOUTP ON\r',
			quantity: 'open-circuit-voltage',
			kind: 'string'
		} as const;
		expect((await readMeter(at, 'dc-voltage', probe)).ok).toBe(true);
		expect(heard.every((said) => said.indexOf('\n') === said.length - 1)).toBe(true);
		server.close();
	});

	it('that answers one letter at a time is left at the deadline', async () => {
		const { server, at } = await stranger((_, socket) => {
			const drip = setInterval(() => socket.write('.'), 20);
			socket.once('close', () => clearInterval(drip));
		});
		const line = await openLine(at, 200);
		if (!line.ok) throw new Error(line.problem.words);
		expect(await line.value.ask('*IDN?')).toMatchObject({ problem: { state: 'dropped' } });
		server.close();
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
		const { manufacturer, model, state, acWatts: acPower, dcWatts: dcPower, inputs } = read.value;
		expect([manufacturer, model, state]).toEqual(['Zembo demo', 'SIMULATED INVERTER', 'tracking']);
		expect(inputs.map(({ name }) => name)).toEqual(['1', '2']);
		const total = inputs.reduce((sum, { watts: power }) => sum + power!, 0);
		expect(Math.abs(total / dcPower! - 1)).toBeLessThan(0.02);
		expect(acPower! / dcPower!).toBeGreaterThan(0.93);
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
