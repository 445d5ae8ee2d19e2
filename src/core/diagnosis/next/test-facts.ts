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
	/** "Volts of {place}": the place stands in for the braces. */
	readonly title: string;
	readonly how: string;
	readonly cautions?: readonly Caution[];
}

/** Tests that tell causes apart, by what is read. Common practice; minutes are judgement. */
const TEST_FACTS: Readonly<Partial<Record<Quantity, TestFacts>>> = {
	'open-circuit-voltage': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'Open-circuit volts of {place}',
		how: 'The string alone, its fuse out, at the source side. Red on positive; prove on a string known to be right that this reads plus.'
	},
	'operating-current': {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Clamp the running current of {place}',
		how: 'Zero the clamp, prove it on a string that carries current, then round one insulated conductor of this string; read the volts of the bus with it.'
	},
	'short-circuit-current': {
		exposure: 'open-cover-live',
		minutes: 5,
		title: 'Short-circuit current of {place}',
		how: 'Through a DC-rated switch or a tester, the string alone. Light and soiling lower it, resistance does not.'
	},
	'fuse-resistance': {
		exposure: 'open-cover-dead',
		minutes: 2.5,
		title: 'Resistance of {place}, out of its holder',
		how: 'Draw it with 0 A proved, read ohms across it. Volts across a fuse in place prove nothing while no current flows.',
		cautions: [BLOWN_FUSE]
	},
	'blocking-diode-forward': {
		exposure: 'open-cover-dead',
		minutes: 3,
		title: 'Blocking diode of {place}, forward',
		how: 'Diode test across it, the string isolated on both sides.'
	},
	'stretch-voltage': {
		exposure: 'joint-dead',
		minutes: 6,
		title: 'Volts of {place}',
		how: 'The string isolated, 0 A proved. Look first for heat marks and half-mated connectors. Part the string at this joint and read between the leads of this stretch, nothing else joined.',
		cautions: [OPEN_STRING]
	},
	'joint-resistance': {
		exposure: 'joint-dead',
		minutes: 5,
		title: 'Ohms through {place}',
		how: 'Both sides parted from their modules, ohms through the mated connector.'
	},
	'joint-rise': {
		exposure: 'roof',
		minutes: 1.2,
		title: 'Infrared at {place}',
		how: 'At steady sun and full current, from a place of your own footing, all connectors from the same angle; how much warmer than its neighbours.'
	},
	'device-output': {
		exposure: 'roof',
		minutes: 3,
		title: 'Output of the device behind {place}',
		how: 'Transmitter fed, string open; volts between the device’s two output leads.'
	},
	'module-count': {
		exposure: 'closed-cover',
		minutes: 2,
		title: 'Count the modules of {place}',
		how: 'From the ground or from photographs, against the drawing. Leads that run past a module without joining it count as one less.'
	},
	'shade-seen': {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Look along {place} for a shadow',
		how: 'The whole string, at the hour of the reading. 1 for a shadow, 0 for none.'
	},
	'cleaning-gain': {
		exposure: 'roof',
		minutes: 15,
		title: 'Clean {place} and clamp again',
		how: 'As the maker allows, then the same clamp in the same light; the gain in percent.'
	},
	'label-power': {
		exposure: 'roof',
		minutes: 4,
		title: 'Read the label of {place}',
		how: 'The label on the back, or a photograph of it.'
	},
	'section-voltage': {
		exposure: 'joint-dead',
		minutes: 4,
		title: 'Volts of {place} between the bars of its junction box',
		how: 'Where the box can be opened: bar to bar, the string isolated. From outside infrared first: the module with a section a little warmer (shorted diode) or as warm as an idle one (open section).'
	},
	'diode-reverse': {
		exposure: 'joint-dead',
		minutes: 5,
		title: 'Diode of {place}, reverse',
		how: 'Module covered dark, diode test with the leads the wrong way. “OL” where it displays over range.'
	},
	'diode-forward': {
		exposure: 'joint-dead',
		minutes: 5,
		title: 'Diode of {place}, forward',
		how: 'Module covered dark, diode test. “OL” where it displays over range.'
	},
	'cover-current': {
		exposure: 'roof',
		minutes: 3,
		title: 'Cover {place}, watch the current',
		how: 'The whole section, never one cell, under load, ten seconds at most, away from the glass. A healthy diode keeps the current, an open one lets it collapse.'
	},
	'insulation-resistance': {
		exposure: 'open-cover-dead',
		minutes: 8,
		title: 'Insulation of {place}',
		how: 'Area cleared and barred, both ends parted, surge protectors out, test volts at or below the modules’ system volts; discharge and read about 0 V after.'
	},
	'positive-to-earth': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'Positive of {place} to earth',
		how: 'The string alone, meter of 10 Mohm or more, black on earth.'
	},
	'negative-to-earth': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'Negative of {place} to earth',
		how: 'The string alone, meter of 10 Mohm or more, black on earth.'
	},
	'pole-resistance': {
		exposure: 'open-cover-dead',
		minutes: 3,
		title: 'Ohms through {place}, switch closed',
		how: 'Circuit dead on both sides, handle on, ohms from line to load of this pole.'
	},
	'ac-voltage': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'AC volts at {place}',
		how: 'Meter on AC volts, line to neutral or line to line.'
	},
	'dc-voltage': {
		exposure: 'open-cover-live',
		minutes: 2,
		title: 'DC volts at {place}',
		how: 'Meter on DC volts at the terminals.'
	},
	'insulation-wet': {
		exposure: 'open-cover-dead',
		minutes: 12,
		title: 'Insulation of {place}, wet',
		how: 'As in the dry: area cleared and barred, both ends parted, surge protectors out. Spray cables and connectors from below, or come in the dew; discharge and read about 0 V after.'
	},
	'stretch-step': {
		exposure: 'joint-dead',
		minutes: 9,
		title: 'Curve of {place}',
		how: 'The string isolated, 0 A proved, parted at this joint; a curve tracer on the leads of this stretch. Lowest step over the short-circuit current, in percent; 100 where there is no step.',
		cautions: [OPEN_STRING]
	},
	'unit-power': {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Power of the unit at {place}',
		how: 'From the units’ list of the gateway, beside its neighbours in the same minute.'
	},
	lamp: {
		exposure: 'closed-cover',
		minutes: 1,
		title: 'Look at {place}',
		how: '1 for on, 0 for off.'
	}
};

/** Of one module alone: its connectors are parted to get at it. */
const AT_MODULE: Readonly<Partial<Record<Quantity, Partial<TestFacts>>>> = {
	'ac-voltage': {
		title: 'AC volts at the drop of {place}',
		how: 'Branch switched off and locked before its connector is parted; then on again, meter on AC volts at the drop.'
	},
	'open-circuit-voltage': {
		exposure: 'joint-dead',
		minutes: 7,
		how: 'The string isolated, 0 A proved. Both connectors of the module parted; red on its positive lead.',
		cautions: [OPEN_STRING]
	},
	'short-circuit-current': {
		exposure: 'joint-dead',
		minutes: 8,
		how: 'The string isolated, 0 A proved, both connectors of the module parted; through a tester or a DC-rated switch, beside a known good module in the same light.',
		cautions: [OPEN_STRING]
	}
};

/** At an inverter's own earth-fault fuse. */
const EARTH_FUSE: Partial<TestFacts> = {
	title: 'Resistance of {place}, out of its holder',
	how: 'Inverter stopped and proved dead on both sides, the fuse drawn, ohms across it. It may stand at the full volts of the array while it is open: treat both poles and all metal as live.'
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
