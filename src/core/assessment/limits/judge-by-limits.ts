import {
	type EffectiveVisit,
	findCurrentReadings,
	isStringReading,
	type Reading
} from '../../visit';
import { isAboveMeter } from '../../expectation';
import type { ModelJudgement } from '../judge-by-model';
import type { ArrayRecord } from '../../record';
import { judged, type Judged, type LimitVerdict } from './limit-verdict';
import { judgeDiode, judgeModuleVoltage, judgeSegment, judgeUnit } from './module-limits';
import { judgeOperatingVoltage } from './operating-voltage';
import {
	judgeAcVoltage,
	judgeDcVoltage,
	judgeFuseResistance,
	judgeFuseVoltage,
	judgeLamp,
	judgePole
} from './part-limits';
import { judgeEarth, judgeInsulation, judgeResidual } from './string-limits';

/**
 * Judges every standing reading that has a limit instead of an expected value with a band: each with
 * what it means, the limit and where that comes from.
 */
export function judgeByLimits(
	record: ArrayRecord,
	visit: EffectiveVisit,
	model: ModelJudgement
): LimitVerdict[] {
	const standing = findCurrentReadings(visit);
	return [...standing]
		.filter(([, reading]) => !isStringReading(reading) || isAboveMeter(reading))
		.map(([key, reading]) => ({
			key,
			reading,
			...judgeOne(record, visit, standing, model, reading)
		}));
}

function judgeOne(
	record: ArrayRecord,
	visit: EffectiveVisit,
	standing: ReadonlyMap<string, Reading>,
	model: ModelJudgement,
	reading: Reading
): Judged {
	if (isAboveMeter(reading)) {
		return judged(
			'not-assessed',
			'Above the range of the meter. Take the leads off and use test equipment rated for this voltage.'
		);
	}
	switch (reading.quantity) {
		case 'insulation-resistance':
		case 'insulation-wet':
			return judgeInsulation(record, reading);
		case 'residual-current':
			return judgeResidual(reading);
		case 'positive-to-earth':
		case 'negative-to-earth':
			return judgeEarth(record, visit, standing, model, reading);
		case 'operating-voltage':
			return judgeOperatingVoltage(record, model, reading);
		case 'fuse-resistance':
			return judgeFuseResistance(reading);
		case 'fuse-voltage':
			return judgeFuseVoltage(standing, reading);
		case 'pole-resistance':
			return judgePole(reading);
		case 'dc-voltage':
			return judgeDcVoltage(record, standing, model, reading);
		case 'ac-voltage':
			return judgeAcVoltage(reading);
		case 'lamp':
			return judgeLamp(reading);
		case 'open-circuit-voltage':
		case 'section-voltage':
			return judgeModuleVoltage(record, model, reading);
		case 'stretch-voltage':
			return judgeSegment(model, reading);
		case 'unit-power':
			return judgeUnit(standing, reading);
		case 'diode-forward':
		case 'diode-reverse':
			return judgeDiode(reading);
		case 'short-circuit-current':
		case 'operating-current':
		case 'ac-power':
			return judged('not-assessed', 'Noted; nothing to compare it with.');
		default:
			return judged('not-assessed', 'Noted; the tracing weighs it with all other readings.');
	}
}
