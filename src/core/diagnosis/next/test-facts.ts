import type { Place, Quantity } from '../../visit';
import {
	BLOWN_FUSE,
	type Caution,
	type Exposure,
	OPEN_STRING,
	REVERSED_STRING
} from '../../isolation';

/** What one has to know of a quantity to propose reading it. */
export interface TestFacts {
	readonly exposure: Exposure;
	/** That a practised hand takes, going there included; judgement. */
	readonly minutes: number;
	/** "Voltage of {place}": the place replaces the braces. */
	readonly title: string;
	readonly how: string;
	readonly cautions?: readonly Caution[];
}

/** Tests that tell causes apart, by what is read. Common practice; minutes are judgement. */
const TEST_FACTS: Readonly<Partial<Record<Quantity, TestFacts>>> = {
	'open-circuit-voltage': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'Open-circuit voltage of {place}',
		how: 'String isolated, fuse out, at the string side of the fuse. Red lead on positive. Confirm on a correct string that this reads positive.'
	},
	'operating-current': {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Clamp the operating current of {place}',
		how: 'Zero the clamp meter and verify it on a string that carries current. Then clamp one insulated conductor of this string. Record the bus voltage with it.'
	},
	'short-circuit-current': {
		exposure: 'open-cover-live',
		minutes: 5,
		title: 'Short-circuit current of {place}',
		how: 'String isolated, through a tester or a DC-rated switch. Lower irradiance and soiling reduce it; resistance does not.'
	},
	'fuse-resistance': {
		exposure: 'open-cover-dead',
		minutes: 2.5,
		title: 'Resistance of {place}, out of its holder',
		how: 'Confirm no current, remove the fuse, measure its resistance. The voltage across a fuse in place proves nothing while no current flows.',
		cautions: [BLOWN_FUSE]
	},
	'blocking-diode-forward': {
		exposure: 'open-cover-dead',
		minutes: 3,
		title: 'Blocking diode of {place}, forward',
		how: 'String isolated on both sides. Diode test across the blocking diode.'
	},
	'stretch-voltage': {
		exposure: 'joint-dead',
		minutes: 6,
		title: 'Voltage of {place}',
		how: 'String isolated, no current confirmed. Look for heat marks and half-mated connectors first. Open this connector and measure between the leads of this segment, nothing else connected.',
		cautions: [OPEN_STRING]
	},
	'joint-resistance': {
		exposure: 'joint-dead',
		minutes: 5,
		title: 'Resistance of {place}',
		how: 'Disconnect both sides from their modules. Measure the resistance through the mated connector.'
	},
	'joint-rise': {
		exposure: 'roof',
		minutes: 1.2,
		title: 'Infrared at {place}',
		how: 'In steady sun at full current, from a secure position, all connectors from the same angle. Record how much warmer it is than its neighbours.'
	},
	'device-output': {
		exposure: 'roof',
		minutes: 3,
		title: 'Output of the device behind {place}',
		how: 'Transmitter powered, string open. Measure the voltage between the two output leads of the device.'
	},
	'module-count': {
		exposure: 'closed-cover',
		minutes: 2,
		title: 'Count the modules of {place}',
		how: 'From the ground or from photographs, against the drawing. Count one less for each module whose leads bypass it.'
	},
	'shade-seen': {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Check {place} for shade',
		how: 'The whole string, at the time of the measurement. 1 for shade, 0 for none.'
	},
	'cleaning-gain': {
		exposure: 'roof',
		minutes: 15,
		title: 'Clean {place} and repeat the clamp measurement',
		how: 'By the manufacturer’s instructions. Then the same clamp meter at the same irradiance. Record the gain in percent.'
	},
	'label-power': {
		exposure: 'roof',
		minutes: 4,
		title: 'Read the nameplate of {place}',
		how: 'The nameplate on the back, or a photograph of it.'
	},
	'section-voltage': {
		exposure: 'joint-dead',
		minutes: 4,
		title: 'Voltage of {place} between the bars of its junction box',
		how: 'Infrared from outside first: the substring is a little warmer (shorted diode), or as warm as an idle module (open substring). Where the junction box can be opened: string isolated, measure bar to bar.'
	},
	'diode-reverse': {
		exposure: 'joint-dead',
		minutes: 5,
		title: 'Diode of {place}, reverse',
		how: 'Module covered, diode test with the leads reversed. Enter “OL” where the meter displays it.'
	},
	'diode-forward': {
		exposure: 'joint-dead',
		minutes: 5,
		title: 'Diode of {place}, forward',
		how: 'Module covered, diode test. Enter “OL” where the meter displays it.'
	},
	'cover-current': {
		exposure: 'roof',
		minutes: 3,
		title: 'Cover {place} and observe the current',
		how: 'Under load, cover the whole substring, never a single cell, for ten seconds at most, without touching the glass. With a healthy diode the current remains; with an open one it collapses.'
	},
	'insulation-resistance': {
		exposure: 'open-cover-dead',
		minutes: 8,
		title: 'Insulation resistance of {place}',
		how: 'Clear and bar the area. Disconnect both ends, remove SPDs. Test voltage at or below the module’s maximum system voltage. Discharge afterwards and confirm at most 5 V.'
	},
	'positive-to-earth': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'Positive of {place} to earth',
		how: 'String isolated, meter of 10 MΩ or more, black lead on earth.'
	},
	'negative-to-earth': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'Negative of {place} to earth',
		how: 'String isolated, meter of 10 MΩ or more, black lead on earth.'
	},
	'pole-resistance': {
		exposure: 'open-cover-dead',
		minutes: 3,
		title: 'Resistance of {place}, switch closed',
		how: 'Circuit proved dead on both sides, switch closed. Measure the resistance from line to load of this pole.'
	},
	'ac-voltage': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'AC voltage at {place}',
		how: 'Meter on AC voltage, line to neutral or line to line.'
	},
	'dc-voltage': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'DC voltage at {place}',
		how: 'Meter on DC voltage, at the terminals.'
	},
	'insulation-wet': {
		exposure: 'open-cover-dead',
		minutes: 12,
		title: 'Insulation resistance of {place}, wet',
		how: 'Only on a string isolated and proved dead, never on broken glass. Clear and bar the area. Disconnect both ends, remove SPDs. Wet cables and connectors from below, or test in dew. Discharge afterwards and confirm at most 5 V.'
	},
	'stretch-step': {
		exposure: 'joint-dead',
		minutes: 9,
		title: 'Curve of {place}',
		how: 'String isolated, no current confirmed, opened at this connector. Connect a curve tracer to the leads of this segment. Record the lowest step over the short-circuit current, in percent; 100 where there is no step.',
		cautions: [OPEN_STRING]
	},
	'unit-power': {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Power of the unit at {place}',
		how: 'From the gateway’s list of units, with its neighbours in the same minute.'
	},
	lamp: {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Look at {place}',
		how: '1 for on, 0 for off.'
	}
};

/** Of one module alone: its connectors have to be opened. */
const AT_MODULE: Readonly<Partial<Record<Quantity, Partial<TestFacts>>>> = {
	'ac-voltage': {
		title: 'AC voltage at the drop of {place}',
		how: 'Switch the branch OFF, fit a lock and prove it dead before opening the connector. Then remove the lock, switch it ON and measure AC voltage at the drop.'
	},
	'open-circuit-voltage': {
		exposure: 'joint-dead',
		minutes: 7,
		how: 'String isolated, no current confirmed. Open both connectors of the module. Red lead on its positive lead.',
		cautions: [OPEN_STRING]
	},
	'short-circuit-current': {
		exposure: 'joint-dead',
		minutes: 8,
		how: 'String isolated, no current confirmed. Open both connectors of the module. Measure through a tester or a DC-rated switch, and compare with a healthy module at the same irradiance.',
		cautions: [OPEN_STRING]
	}
};

/** At an inverter's own ground-fault fuse. */
const EARTH_FUSE: Partial<TestFacts> = {
	title: 'Resistance of {place}, out of its holder',
	how: 'Inverter stopped and proved dead on both sides. Remove the fuse and measure its resistance. While it is open the full array voltage may be across it: treat both poles and all metal as live.'
};

/** What one has to know to propose a reading; null where nobody would. */
export function testFactsOf(quantity: Quantity, place: Place): TestFacts | null {
	const facts = TEST_FACTS[quantity];
	if (!facts) return null;
	if (place.kind === 'part' && place.point === 'earth-fuse') return { ...facts, ...EARTH_FUSE };
	return place.kind === 'module' ? { ...facts, ...AT_MODULE[quantity] } : facts;
}

/** How much the exposure of a person weighs against minutes; judgement. */
export const DANGER: Readonly<Record<Exposure, number>> = {
	'closed-cover': 1,
	roof: 1.6,
	'open-cover-dead': 1.6,
	'open-cover-live': 2,
	'joint-dead': 2.2
};

/** Cautions that hold for whatever is done at a string that may be reversed. */
export const AT_REVERSED: readonly Caution[] = [REVERSED_STRING];
