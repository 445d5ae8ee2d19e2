import { ServerTCP } from 'modbus-serial';
import { CARD_DAY, exactFigure, scatterOf, STRINGS } from '../demo/saltmarsh';
import { SLOW, type SimulatedFault } from './simulated-fault';

/*
 * A simulated inverter that answers SunSpec models over Modbus TCP: common (1), three-phase inverter
 * (103) and multiple MPPT (160), laid out as the open specification has them (from memory). Its inputs
 * run at the demo's terminal, with the planted faults and noise. Writing to the register behind the last
 * model tells it what to do wrong.
 */

const BASE = 40_000;
const END_MODEL = 0xffff;
const NOT_IMPLEMENTED = 0xffff;
const FAULT_OF_CODE: readonly SimulatedFault[] = ['none', 'drop', 'garbage', 'slow'];
const EFFICIENCY = 0.97;
const NOISE = 0.002;

/** Registers of two characters each, padded with zeros. */
function text(words: string, registers: number): number[] {
	return Array.from({ length: registers }, (_, i) => {
		const code = (at: number) => (at < words.length ? words.charCodeAt(at) : 0);
		return (code(2 * i) << 8) | code(2 * i + 1);
	});
}

const signed = (value: number) => (value < 0 ? 0x10000 + value : value);
const scaled = (value: number, exponent: number) => Math.round(value / 10 ** exponent);

interface InputState {
	readonly name: string;
	readonly volts: number;
	readonly amps: number;
}

/** What its inputs carry: the planted strings at the volts of their input, with noise. */
function inputsNow(scatter: () => number): InputState[] {
	const names = [...new Set(STRINGS.map(({ input }) => input ?? ''))];
	return names.map((name) => {
		const figures = STRINGS.filter(({ input }) => input === name).map((string) =>
			exactFigure(string, 'operating-current', CARD_DAY)
		);
		const current = figures.reduce((sum, { value }) => sum + value, 0);
		return { name, volts: figures[0]?.atVolts ?? 0, amps: current * (1 + NOISE * scatter()) };
	});
}

/** All registers from {@link BASE} on. */
function registersNow(scatter: () => number, fault: number): number[] {
	const inputs = inputsNow(scatter);
	const power = inputs.reduce(
		(sum, { volts: voltage, amps: current }) => sum + voltage * current,
		0
	);
	const current = inputs.reduce((sum, input) => sum + input.amps, 0);
	const common = [
		...text('Zembo demo', 16),
		...text('SIMULATED INVERTER', 16),
		...text('', 8),
		...text('1', 8),
		...text('0', 16),
		1,
		0
	];
	const inverter = Array<number>(50).fill(NOT_IMPLEMENTED);
	const put = (offset: number, ...values: number[]) =>
		inverter.splice(offset, values.length, ...values);
	put(12, scaled(power * EFFICIENCY, 0), 0);
	put(25, scaled(current, -2), signed(-2), scaled(inputs[0]?.volts ?? 0, -1), signed(-1));
	put(29, scaled(power, 0), 0);
	// Operating state: 4 is MPPT.
	put(36, 4, 0);
	const mppt = [
		signed(-2),
		signed(-1),
		0,
		0,
		0,
		0,
		inputs.length,
		0,
		...inputs.flatMap(({ name, volts: voltage, amps: own }, i) => [
			i + 1,
			...text(name, 8),
			scaled(own, -2),
			scaled(voltage, -1),
			scaled(voltage * own, 0),
			0,
			0,
			0,
			0,
			NOT_IMPLEMENTED,
			4,
			0,
			0
		])
	];
	return [
		...text('SunS', 2),
		1,
		common.length,
		...common,
		103,
		inverter.length,
		...inverter,
		160,
		mppt.length,
		...mppt,
		END_MODEL,
		0,
		fault
	];
}

/** Starts the inverter on loopback; resolves once it listens. */
export function startInverter(port: number): Promise<ServerTCP> {
	const scatter = scatterOf(202);
	let fault: SimulatedFault = 'none';
	const at = (address: number): number => {
		const registers = registersNow(scatter, FAULT_OF_CODE.indexOf(fault));
		return registers[address - BASE] ?? 0;
	};
	return new Promise((resolve, reject) => {
		const server = new ServerTCP(
			{
				getMultipleHoldingRegisters: (address, length, _unit, done) => {
					if (fault === 'drop') {
						server.socks?.forEach((_, socket) => socket.destroy());
						return;
					}
					const registers = registersNow(scatter, FAULT_OF_CODE.indexOf(fault));
					const values = registers.slice(address - BASE, address - BASE + length);
					while (values.length < length) values.push(0);
					const sent = fault === 'garbage' ? values.map((v) => (v * 7919 + 13) & 0xffff) : values;
					setTimeout(() => done(null, sent), fault === 'slow' ? SLOW : 0);
				},
				getHoldingRegister: (address, _unit, done) => done(null, at(address)),
				setRegister: (_address, value, _unit, done) => {
					fault = FAULT_OF_CODE[value] ?? 'none';
					done(null);
				}
			},
			{ host: '127.0.0.1', port, unitID: 1 }
		);
		server.once('initialized', () => resolve(server));
		server.once('serverError', (error) => reject(error ?? new Error('the port is taken')));
	});
}
