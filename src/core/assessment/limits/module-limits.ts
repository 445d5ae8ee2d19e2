import { expectedOf, type ModelJudgement } from '../judge-by-model';
import { weighedValue } from '../../expectation';
import { type Reading } from '../../visit';
import { median } from '../../numerics';
import type { ArrayRecord } from '../../record';
import { judged, PRACTICE, type Judged } from './limit-verdict';

/** Shares by which one module or section may differ from its expected volts; judgement: tolerance, heat, meter. */
const ALIKE = { module: 0.04, section: 0.08, current: 0.1 } as const;

/** Open-circuit voltage of one module of a string here and now, V; null where that is not known. */
function moduleVoltageOf(places: ModelJudgement['places'], string: string): number | null {
	return expectedOf(places, string)?.moduleVoltage ?? null;
}

/** A module's or section's volts against what one gives here and now. */
export function judgeModuleVoltage(
	record: ArrayRecord,
	{ places }: Pick<ModelJudgement, 'places'>,
	{ place, quantity, value }: Reading
): Judged {
	if (place.kind !== 'module') return judged('not-assessed', '');
	const string = record.strings.find(({ id }) => id === place.string);
	const type = record.moduleTypes.find(({ id }) => id === string?.moduleTypeId);
	const whole = moduleVoltageOf(places, place.string);
	if (!type || whole === null) {
		return judged('not-assessed', 'What one module gives here and now is not known yet.');
	}
	const { sections: substrings } = type.plate;
	const one = quantity === 'section-voltage' ? whole / substrings : whole;
	const alike = quantity === 'section-voltage' ? ALIKE.section : ALIKE.module;
	const limit = `${one.toFixed(1)} V within ${100 * alike} %`;
	const source = 'the string’s expected voltage over its modules';
	if (Math.abs(value) < 0.1 * one) {
		const words =
			quantity === 'section-voltage'
				? 'No voltage: its diode is shorted, or its cells are open behind the diode.'
				: 'No voltage: shorted, open, or switched off by its device.';
		return judged('fail', words, limit, source);
	}
	if (value < 0) return judged('fail', 'Reversed, or the leads are.', limit, source);
	if (Math.abs(value - one) <= alike * one) {
		return judged('pass', 'As one should give.', limit, source);
	}
	const lost = Math.round((1 - value / one) * substrings);
	return quantity !== 'section-voltage' && lost > 0 && lost < substrings
		? judged('fail', `About ${lost} of ${substrings} substrings missing.`, limit, source)
		: judged('marginal', 'Not as one should give.', limit, source);
}

/** A stretch of a string between two parted joints, against as many sound modules. */
export function judgeSegment(
	{ places }: Pick<ModelJudgement, 'places'>,
	{ place, value }: Reading
): Judged {
	if (place.kind !== 'stretch') return judged('not-assessed', '');
	const module = moduleVoltageOf(places, place.string);
	if (module === null) {
		return judged('not-assessed', 'What one module gives here and now is not known yet.');
	}
	const count = place.to - place.from;
	const lost = (module * count - value) / module;
	const limit = `${(module * count).toFixed(1)} V, ${count} modules`;
	const source = 'the string’s expected voltage over its modules';
	if (Math.abs(lost) < 0.15)
		return judged('pass', 'As so many modules should give.', limit, source);
	return value < 0.1 * module
		? judged('fail', 'No voltage: the break is in this segment.', limit, source)
		: judged('fail', `${lost.toFixed(2)} modules short in this string segment.`, limit, source);
}

/** Share by which a unit may lag the middle of its neighbours, and from which it surely lags; judgement. */
const UNITS = { alike: 0.08, lags: 0.2, least: 3 };

/** A micro-inverter's power against the middle of the others in the same minutes. */
export function judgeUnit(standing: ReadonlyMap<string, Reading>, reading: Reading): Judged {
	const others = [...standing.values()]
		.filter((one) => one.quantity === 'unit-power' && one.id !== reading.id)
		.map(({ value }) => value);
	if (others.length < UNITS.least) {
		return judged('not-assessed', 'Noted; three others are the least to compare it with.');
	}
	const usual = median(others);
	if (usual <= 0)
		return judged('not-assessed', 'The others produce nothing: too little irradiance to compare.');
	const limit = `${usual.toFixed(0)} W is the middle of the others, within ${100 * UNITS.alike} %`;
	const source = 'the units beside it';
	const short = 1 - reading.value / usual;
	if (short <= UNITS.alike) return judged('pass', 'As its neighbours.', limit, source);
	const words = `${(100 * short).toFixed(0)} % behind the middle of the others.`;
	return short >= UNITS.lags
		? judged('fail', `${words} Its module, its AC, or the unit itself.`, limit, source)
		: judged('marginal', `${words} Shade and soiling do that too.`, limit, source);
}

/** A bypass diode in the diode test, the module dark. */
export function judgeDiode(reading: Reading): Judged {
	const { quantity } = reading;
	const value = weighedValue(reading);
	if (quantity === 'diode-forward') {
		const limit = '0.2 to 0.8 V forward';
		if (value < 0.1) return judged('fail', 'Shorted.', limit, PRACTICE);
		return value > 0.8
			? judged('fail', 'Open, or the wrong way round.', limit, PRACTICE)
			: judged('pass', 'A sound diode forward.', limit, PRACTICE);
	}
	const limit = 'over range in reverse';
	return value < 0.8
		? judged('fail', 'It conducts in reverse: shorted, or the module is not dark.', limit, PRACTICE)
		: judged('pass', 'It blocks.', limit, PRACTICE);
}
