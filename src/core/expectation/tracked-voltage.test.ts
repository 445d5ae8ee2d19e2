import { judged, placeAt } from '../../../tests/support/places';
import { judgeByModel } from '../assessment';
import { effectiveVisit, usualState } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, visitOf } from '../../../tests/support/scenario';
import { operate, StringSource } from '../circuit';
import { faultOf } from '../faults';
import { modulesAtShift } from './group';
import { stringAtConditions, USUAL_PARTS } from './predict';
import {
	commonMaximumVoltage,
	commonVoltages,
	currentOf,
	maximumPowerVoltage,
	trackedVoltages
} from './tracked-voltage';

/** Every string on a tracker of its own. */
const record = arrayRecord(['A1', 'B1', 'C1', 'D1', 'E1', 'F1']);
const visit = visitOf({ record, normal: normalFrom(4) });
const [group] = judgeByModel(record, effectiveVisit(record, visit)).peerGroups;
const circuit = stringAtConditions(
	record.strings[0]!,
	group!.model,
	modulesAtShift(group!, group!.estimates[0].shift)
);
const tracker = {
	kind: 'tracker',
	window: { least: 0, most: null },
	ampsAtMost: null,
	wattsAtMost: null
} as const;
const under = (code: 'shade' | 'connector-resistive' | 'soiling' | 'section-open', size = 0) => {
	const fault = faultOf(code);
	const severity =
		fault.severities.find((one) => one.size >= size && (one.second ?? 3) === 3) ??
		fault.severities[0];
	return fault.inject(circuit, severity, usualState('operating-current'))!;
};

describe('the voltage of a tracker', () => {
	it('is that of the circuit’s maximum, found the quick way', () => {
		for (const one of [
			circuit,
			under('shade', 0.6),
			under('connector-resistive', 4),
			under('section-open'),
			under('soiling', 0.2)
		]) {
			const bus = { ...USUAL_PARTS, strings: [] };
			const exact = operate(StringSource.of(one, bus, 'bus'), tracker);
			expect(maximumPowerVoltage(one) / exact.volts).toBeCloseTo(1, 2);
		}
	});

	it('of two equal strings is that of one, and of an open string none', () => {
		const alone = maximumPowerVoltage(circuit);
		const both = commonMaximumVoltage(circuit, alone, currentOf([circuit], commonVoltages(alone)));
		expect(both / alone).toBeCloseTo(1, 2);
		const open = faultOf('connector-open');
		const parted = open.inject(circuit, open.severities[0], usualState('operating-current'))!;
		expect(maximumPowerVoltage(parted)).toBe(0);
	});

	it('is moved less by a resistance in one of two strings than in one alone', () => {
		const alone = maximumPowerVoltage(circuit);
		const bad = under('connector-resistive', 6);
		const one = maximumPowerVoltage(bad) / alone;
		const two =
			commonMaximumVoltage(bad, alone, currentOf([circuit], commonVoltages(alone))) / alone;
		expect(one).toBeLessThan(0.95);
		expect(two).toBeLessThan(1);
		expect(two).toBeGreaterThan(one);
	});

	it('is judged for strings alone on theirs: low is a finding though the current fits', () => {
		const lowered = {
			...visit,
			readings: visit.readings.map((reading) =>
				reading.place.kind === 'string' &&
				reading.place.string === record.strings[2]!.id &&
				reading.quantity === 'operating-current'
					? { ...reading, atVolts: reading.atVolts! * 0.9 }
					: reading
			)
		};
		const { places, peerGroups } = judgeByModel(record, effectiveVisit(record, lowered));
		const place = judged(placeAt(places, record.strings[2]!.id, 'operating-current'));
		expect(place.tracked!.verdict).toBe('fail');
		expect(place.verdict).toBe('fail');
		const tracked = trackedVoltages(record, peerGroups[0]!, peerGroups, new Map());
		expect(tracked).toHaveLength(6);
		expect(tracked.every(({ partners }) => partners.length === 0)).toBe(true);
	});

	it('is nobody’s where optimisers hold it, or a PWM controller does', () => {
		const held = {
			...record,
			strings: record.strings.map((string) => ({
				...string,
				devices: { kind: 'optimiser', modulesPerDevice: 1, part: null } as const
			}))
		};
		expect(trackedVoltages(held, group!, [group!], new Map())).toEqual([]);
		const offGrid = { ...record, system: 'off-grid' } as const;
		expect(trackedVoltages(offGrid, group!, [group!], new Map())).toEqual([]);
	});
});
