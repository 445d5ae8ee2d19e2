import {
	type Place,
	type Quantity,
	stringPlace,
	switchableOf,
	type SwitchingState,
	usualState
} from '../../visit';
import { modulesPerDevice, type StringFaultCode } from '../../faults';
import { fusedPoles } from '../../visit-plan';
import type { ArrayRecord } from '../../record';
import type { StringBuild } from '../suspect';

/** A reading that could be taken. */
export interface Candidate {
	readonly place: Place;
	readonly quantity: Quantity;
	readonly state: SwitchingState;
}

/** Faults for whose sake places within a string are read one by one. */
const SOUGHT: Readonly<Partial<Record<Quantity, readonly StringFaultCode[]>>> = {
	'stretch-voltage': [
		'module-open',
		'connector-open',
		'bypass-diode-shorted',
		'section-open',
		'module-shorted',
		'module-reversed',
		'rsd-device-off'
	],
	'stretch-step': ['module-degraded'],
	'positive-to-earth': ['earth-fault'],
	'joint-resistance': ['connector-open'],
	'joint-rise': ['connector-resistive'],
	'device-output': ['rsd-device-off'],
	'module-open-circuit': ['module-shorted', 'module-reversed', 'module-open'],
	'module-short-circuit': ['module-degraded'],
	'section-voltage': ['bypass-diode-shorted', 'section-open'],
	'diode-reverse': ['bypass-diode-shorted'],
	'cover-current': ['bypass-diode-open'],
	'module-label': ['module-wrong-type']
} as Readonly<Record<string, readonly StringFaultCode[]>>;

/** Every reading at the places of one string that could tell something of the faults in play. */
export function candidatesAt(
	record: ArrayRecord,
	{ string, type }: StringBuild,
	inPlay: ReadonlySet<string>
): Candidate[] {
	const { id, moduleCount: n } = string;
	const found: Candidate[] = [];
	const switches = switchableOf(string);
	const runs = usualState('operating-current', switches);
	const states = new Map<Quantity, SwitchingState>();
	const stateOf = (quantity: Quantity) => {
		const state = states.get(quantity) ?? usualState(quantity, switches);
		states.set(quantity, state);
		return state;
	};
	const add = (place: Place, quantity: Quantity, running = false) =>
		found.push({ place, quantity, state: running ? runs : stateOf(quantity) });
	const sought = (key: string) =>
		(SOUGHT as Readonly<Record<string, readonly string[]>>)[key]!.some((code) => inPlay.has(code));
	const whole = stringPlace(id);
	add(whole, 'open-circuit-voltage');
	add(whole, 'operating-current', true);
	add(whole, 'short-circuit-current');
	add(whole, 'module-count', true);
	add(whole, 'shade-seen', true);
	add(whole, 'cleaning-gain', true);
	add(whole, 'label-power', true);
	if (string.fuse !== null) {
		for (const pole of fusedPoles(record, string)) {
			add({ kind: 'fuse', string: id, pole }, 'fuse-resistance');
		}
	}
	if (string.blockingDiode === 'silicon' || string.blockingDiode === 'schottky') {
		add(whole, 'blocking-diode-forward');
	}
	if (sought('positive-to-earth')) {
		add(whole, 'positive-to-earth');
		add(whole, 'negative-to-earth');
	}
	for (const quantity of ['stretch-voltage', 'stretch-step'] as const) {
		if (!sought(quantity)) continue;
		for (let connector = 1; connector < n; connector++) {
			add({ kind: 'stretch', string: id, from: 0, to: connector }, quantity);
			add({ kind: 'stretch', string: id, from: connector, to: n }, quantity);
		}
	}
	for (let connector = 0; connector <= n; connector++) {
		if (sought('joint-rise'))
			add({ kind: 'joint', string: id, joint: connector }, 'joint-rise', true);
		if (sought('joint-resistance'))
			add({ kind: 'joint', string: id, joint: connector }, 'joint-resistance');
	}
	const each = modulesPerDevice(string);
	for (let module = 1; module <= n; module++) {
		const at: Place = { kind: 'module', string: id, module, section: null };
		if (each > 0 && (module - 1) % each === 0 && sought('device-output')) add(at, 'device-output');
		if (sought('module-open-circuit')) add(at, 'open-circuit-voltage');
		if (sought('module-short-circuit')) add(at, 'short-circuit-current');
		if (sought('module-label')) add(at, 'label-power');
		for (let substring = 1; substring <= type.plate.sections; substring++) {
			const inside: Place = { ...at, section: substring };
			if (sought('section-voltage')) add(inside, 'section-voltage');
			if (sought('diode-reverse')) add(inside, 'diode-reverse');
			if (sought('cover-current')) add(inside, 'cover-current', true);
		}
	}
	return found;
}
