import type { StringRecord } from '../record';
import { say, type VisitMessage } from './messages';
import type { Quantity } from './quantity';

/**
 * How the circuit is switched while a reading is taken. An expected value holds for one state only;
 * every reading is stored with its own.
 */
export interface SwitchingState {
	/** The inverter runs, or the controller charges. */
	readonly ac: 'on' | 'off';
	/** What feeds the devices behind the modules; none where there are no devices. */
	readonly transmitter: 'fed' | 'off' | 'none';
	readonly disconnect: 'closed' | 'open';
	/** The string's own; none where it has no fuse. */
	readonly fuse: 'in' | 'out' | 'none';
	/** Whether the strings of the same input hang on the same bus. */
	readonly siblings: 'joined' | 'isolated';
	/** Whether the two leads are joined through rated switchgear. */
	readonly shorted: boolean;
	/** A section of a module is covered from the sun. */
	readonly covered: boolean;
}

/** What of an array its usual states hang on. */
export interface Switchable {
	readonly fused: boolean;
	/** Electronics behind the modules: whether any, or optimisers, which fall to standby by themselves. */
	readonly devices: boolean | 'optimisers';
}

const BARE: Switchable = { fused: true, devices: false };

/** What of a string, as recorded, its usual states hang on. */
export function switchableOf({
	fuse,
	devices
}: Pick<StringRecord, 'fuse' | 'devices'>): Switchable {
	const known = devices !== null && devices !== 'unknown';
	return {
		fused: fuse !== null,
		devices: known ? (devices.kind === 'optimiser' ? 'optimisers' : true) : false
	};
}

/**
 * The state a reading was taken in, as far as the devices on record settle it: optimisers that feed no
 * running inverter put out their standby voltage, whatever was ticked.
 */
export function settledState(
	{ devices }: Pick<StringRecord, 'devices'>,
	state: SwitchingState
): SwitchingState {
	const optimisers = devices !== null && devices !== 'unknown' && devices.kind === 'optimiser';
	return optimisers && !isRunning(state) ? { ...state, transmitter: 'off' } : state;
}

/** Settings of a part that a string has by its record, as keys of the state with what may be chosen. */
export function settingsOf(
	string: Pick<StringRecord, 'fuse' | 'devices'> | null,
	state: SwitchingState
): Readonly<Record<'fuse' | 'transmitter', readonly string[]>> {
	const devices = string?.devices ?? null;
	const kind = devices === null || devices === 'unknown' ? devices : devices.kind;
	const fuse = string?.fuse === null ? ['none'] : ['in', 'out'];
	if (kind === null) return { fuse, transmitter: ['none'] };
	if (kind === 'unknown') return { fuse, transmitter: ['none', 'fed', 'off'] };
	// Optimisers put out standby voltage by themselves while no inverter draws from them.
	const standby = kind === 'optimiser' && !isRunning(state);
	return { fuse, transmitter: standby ? ['off'] : ['fed', 'off'] };
}

/** The state in which a quantity is usually read. */
export function usualState(
	quantity: Quantity,
	{ fused, devices }: Switchable = BARE
): SwitchingState {
	const transmitter = devices ? 'fed' : 'none';
	const running = (): SwitchingState => ({
		ac: 'on',
		transmitter,
		disconnect: 'closed',
		fuse: fused ? 'in' : 'none',
		siblings: 'joined',
		shorted: false,
		covered: false
	});
	const isolated = (): SwitchingState => ({
		ac: 'off',
		transmitter: devices === 'optimisers' ? 'off' : transmitter,
		disconnect: 'open',
		fuse: fused ? 'out' : 'none',
		siblings: 'isolated',
		shorted: false,
		covered: false
	});
	switch (quantity) {
		case 'operating-current':
		case 'operating-voltage':
		case 'fuse-voltage':
		case 'ac-power':
		case 'ac-voltage':
		case 'unit-power':
		case 'lamp':
			return running();
		case 'short-circuit-current':
			return { ...isolated(), shorted: true };
		case 'residual-current':
			return { ...isolated(), fuse: fused ? 'in' : 'none', siblings: 'joined' };
		default:
			return isolated();
	}
}

/** Whether current flows to the inverter as in daily work. */
export function isRunning({ ac, disconnect, fuse }: SwitchingState): boolean {
	return ac === 'on' && disconnect === 'closed' && fuse !== 'out';
}

/** Whether a string's two leads stand alone, open, with its devices letting its volts through. */
export function standsAlone({ siblings: peers, transmitter, shorted }: SwitchingState): boolean {
	return peers === 'isolated' && transmitter !== 'off' && !shorted;
}

/** Why a quantity cannot be read in a state, in words; null where it can. */
export function stateProblem(quantity: Quantity, state: SwitchingState): string | null {
	switch (quantity) {
		case 'operating-current':
		case 'operating-voltage':
			return isRunning(state)
				? null
				: 'Operating current and voltage require the inverter on, the disconnect closed and the fuse in. With the switch open, record no-load current.';
		case 'open-circuit-voltage':
			if (state.shorted) return 'A string with its leads shorted has no open-circuit voltage.';
			return isRunning(state)
				? 'Stop the inverter and open the disconnect before measuring open-circuit voltage.'
				: null;
		case 'short-circuit-current':
			return state.shorted && state.siblings === 'isolated'
				? null
				: 'Measure short-circuit current on an isolated string, through a DC-rated switch.';
		case 'residual-current':
			return state.disconnect === 'open' || state.ac === 'off'
				? null
				: 'Measure no-load current with the inverter stopped or the disconnect open.';
		default:
			return null;
	}
}

/**
 * The state, device by device, in the order in which it is checked.
 *
 * @param optimisers whether the devices of the string are optimisers, which need no transmitter
 */
export function stateMessages(state: SwitchingState, optimisers = false): VisitMessage[] {
	const messages: VisitMessage[] = [
		state.ac === 'on' ? say('state.inverter-running') : say('state.inverter-stopped'),
		state.disconnect === 'open' ? say('state.disconnect-open') : say('state.disconnect-closed')
	];
	if (state.fuse !== 'none')
		messages.push(state.fuse === 'in' ? say('state.fuse-in') : say('state.fuse-out'));
	messages.push(state.siblings === 'joined' ? say('state.parallel') : say('state.isolated'));
	if (state.transmitter !== 'none') messages.push(deviceMessage(state.transmitter, optimisers));
	if (state.shorted) messages.push(say('state.shorted'));
	if (state.covered) messages.push(say('state.covered'));
	return messages;
}

function deviceMessage(transmitter: 'fed' | 'off', optimisers: boolean): VisitMessage {
	if (optimisers)
		return transmitter === 'fed'
			? say('state.optimisers-producing')
			: say('state.optimisers-standby');
	return transmitter === 'fed' ? say('state.transmitter-powered') : say('state.transmitter-off');
}
