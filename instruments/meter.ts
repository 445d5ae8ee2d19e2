import { createServer, type Server, type Socket } from 'node:net';
import { isStringQuantity, type Quantity } from '$core/visit';
import { CARD_DAY, exactFigure, scatterOf, STRINGS } from '../demo/saltmarsh';
import { SLOW, SIMULATED_FAULTS, type SimulatedFault } from './simulated-fault';

/*
 * A simulated multimeter that speaks SCPI over TCP, one line a command. Its probes stand on a string of
 * the demo's terminal, and it answers out of the circuit with the planted faults and with noise.
 *
 *     *IDN?                          who it is
 *     MEAS:VOLT:DC?  MEAS:CURR:DC?   what it shows
 *     SIM:PROB A2,open-circuit-voltage    puts its probes on another place
 *     SIM:TROU drop|garbage|slow|none     what it does wrong from now on
 */

const IDENTITY = 'Zembo demo,SIMULATED METER,0,1';
/** Standard deviation of what it shows, relative; and how many answers it needs to settle on a new place. */
const NOISE = 0.0004;
const SETTLES = 3;

interface MeterState {
	probe: { label: string; quantity: Quantity };
	fault: SimulatedFault;
	/** Answers since the probes were put where they are. */
	answers: number;
}

/** Starts the meter on loopback; resolves once it listens. */
export function startMeter(port: number): Promise<Server> {
	const state: MeterState = {
		probe: { label: STRINGS[0]!.label, quantity: 'open-circuit-voltage' },
		fault: 'none',
		answers: 0
	};
	const scatter = scatterOf(101);
	const server = createServer((socket) => talk(socket, state, scatter));
	return new Promise((resolve, reject) => {
		server.once('error', reject);
		server.listen(port, '127.0.0.1', () => resolve(server));
	});
}

function talk(socket: Socket, state: MeterState, scatter: () => number): void {
	let heard = '';
	socket.setEncoding('ascii');
	socket.on('error', () => socket.destroy());
	socket.on('data', (chunk: string) => {
		heard += chunk;
		const lines = heard.split('\n');
		heard = lines.pop() ?? '';
		for (const line of lines) answer(socket, line.trim(), state, scatter);
	});
}

function answer(socket: Socket, command: string, state: MeterState, scatter: () => number): void {
	const [, fault] = /^SIM:TROU (\w+)$/i.exec(command) ?? [];
	if (fault) {
		state.fault = SIMULATED_FAULTS.find((one) => one === fault.toLowerCase()) ?? 'none';
		socket.write('0\n');
		return;
	}
	const say = (words: string) => socket.write(`${words}\n`);
	if (state.fault === 'drop') return void socket.destroy();
	if (state.fault === 'garbage') return void say('?!%\u0007 ++');
	if (state.fault === 'slow')
		return void setTimeout(() => say(reply(command, state, scatter)), SLOW);
	say(reply(command, state, scatter));
}

function reply(command: string, state: MeterState, scatter: () => number): string {
	if (command.toUpperCase() === '*IDN?') return IDENTITY;
	const [, label, quantity] = /^SIM:PROB ([^,]+),([\w-]+)$/i.exec(command) ?? [];
	if (label && quantity) {
		state.probe = { label: label.trim(), quantity: quantity as Quantity };
		state.answers = 0;
		return '0';
	}
	if (/^MEAS:(VOLT|CURR):DC\?$/i.test(command)) return measured(state, scatter);
	return '-113,"Undefined header"';
}

function measured(state: MeterState, scatter: () => number): string {
	const { label, quantity } = state.probe;
	const string = STRINGS.find((one) => one.label === label);
	if (!string || !isStringQuantity(quantity)) return '9.9E37';
	const { value } = exactFigure(string, quantity, CARD_DAY);
	// Probes that have just touched swing in.
	const swing = state.answers < SETTLES ? 0.03 / (1 + state.answers) : 0;
	state.answers++;
	return (value * (1 - swing) * (1 + NOISE * scatter())).toExponential(5);
}
