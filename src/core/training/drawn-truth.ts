import type { ConditionsEntry } from '../visit';
import { agedModel, moduleAtConditions } from '../expectation';
import type { ArrayRecord } from '../record';
import { scenarioId } from './array';
import type { Random } from '../numerics';
import { SCENARIO_START } from './taken-readings';
import type { HiddenFault, Truth } from './truth';

/** Five values that stand for a normal deviate, so that modules are alike enough to be counted. */
const DEVIATES = [-1.4, -0.6, 0, 0.6, 1.4] as const;

/** Light, heat, soiling, age and every module's own share; and what sensor and probe say of it. */
export function drawTruth(
	record: ArrayRecord,
	faults: readonly HiddenFault[],
	random: Random
): { readonly truth: Truth; readonly entry: ConditionsEntry } {
	const type = record.moduleTypes[0]!;
	const years = 2026 - record.inServiceSince! + random.between(-0.4, 0.4);
	const irradiance = random.between(260, 1050);
	const cellTemperature = 12 + 0.03 * irradiance + random.between(-8, 16);
	const soiling = Math.min(0.06, 0.015 + 0.012 * Math.abs(random.normal()));
	const model = agedModel(type, Math.max(0, years * (1 + 0.3 * random.normal())));
	const common = [1 + 0.009 * random.normal(), 1 + 0.006 * random.normal()] as const;
	const wrong = faults.find(({ code }) => code === 'conditions-wrong');
	const sensor = wrong !== undefined || random.chance(0.8);
	const irradianceOff =
		wrong && random.chance(0.7) ? random.pick([-1, 1]) * (0.12 + wrong.size!) : 0;
	const temperatureOff =
		wrong && irradianceOff === 0 ? random.pick([-1, 1]) * random.between(12, 20) : 0;
	const uncertainty = sensor ? { light: 0.03, heat: 2 } : { light: 0.13, heat: 5 };
	const spread = new Map(
		record.strings.map(({ label, moduleCount }) => {
			const other = faults.find(
				({ code, strings }) => code === 'record-wrong' && strings.includes(label)
			);
			// Another type is told by its cells in series, 60 for 72 or the other way.
			const voltage = other ? random.pick([60 / 72, 72 / 60]) : 1;
			return [
				label,
				Array.from(
					{ length: moduleCount },
					() =>
						[
							common[0] * (other?.size ?? 1) * (1 + 0.012 * random.pick(DEVIATES)),
							common[1] * voltage * (1 + 0.008 * random.pick(DEVIATES))
						] as const
				)
			] as const;
		})
	);
	const truth: Truth = {
		faults,
		irradiance: irradiance * (1 - soiling),
		cellTemperature,
		conditionsWrong: wrong !== undefined,
		spread,
		module: moduleAtConditions(model, irradiance * (1 - soiling), cellTemperature),
		acLimit: null
	};
	const entry: ConditionsEntry = {
		id: scenarioId(5, 1),
		enteredAt: SCENARIO_START,
		by: 'Training',
		basis: '',
		follows: false,
		fieldId: null,
		irradiance: {
			value: Math.round(
				irradiance * (1 + irradianceOff) * (1 + uncertainty.light * random.normal())
			),
			relativeStandardUncertainty: uncertainty.light,
			source: sensor ? 'sensor-in-plane' : 'clear-sky'
		},
		cellTemperature: {
			value: Number(
				(cellTemperature + temperatureOff + uncertainty.heat * random.normal()).toFixed(1)
			),
			standardUncertainty: uncertainty.heat,
			source: sensor ? 'probe-on-back' : 'from-air'
		}
	};
	return { truth, entry };
}
