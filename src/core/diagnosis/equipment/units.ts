import { median } from '../../numerics';
import { placeKey, type Quantity } from '../../visit';
import { type CauseCode, rateOf } from '../../faults';
import { isAcBranch, partsOf, type StringRecord } from '../../record';
import { measurementPointAt, unitsOf } from '../../visit-plan';
import type { Predicted } from '../evidence';
import { figure } from '../part-figures';
import { statesOf, type EquipmentCase, type EquipmentProbe } from './equipment-case';
import { probeOf, type EquipmentBasis } from './basis';

/** What a unit passes on of its module's power, and how alike units are; judgement. */
const UNIT = { efficiency: 0.95, alike: 0.06, predicted: 0.12 };
/** Below this a unit that feeds nothing says nothing, W. */
const LEAST_POWER = 5;
/** What a weak module leaves of the power, and the spread of that. */
const WEAK = { left: 0.55, spread: 0.17 };
/** Line to neutral or line to line, anywhere. */
const AC = { volts: 240, spread: 80, scale: 600 };

/** Modules behind one micro-inverter each: the unit, its module, or the AC at its drop. */
export function microInverters(basis: EquipmentBasis): EquipmentCase[] {
	return basis.record.strings.filter(isAcBranch).flatMap((branch) => unitsOfBranch(basis, branch));
}

function unitsOfBranch(basis: EquipmentBasis, branch: StringRecord): EquipmentCase[] {
	const { rates, standing, record, module } = basis;
	const places = unitsOf(branch);
	const units = places.map((_, unit) => unit);
	const each = Math.ceil(branch.moduleCount / places.length);
	const at = (unit: number) => places[unit]!;
	const power = units.flatMap(
		(unit) => standing.get(placeKey(at(unit), 'unit-power'))?.value ?? []
	);
	const rating = partsOf(record.parts, 'micro-inverter')[0]?.specs.acWatts ?? null;
	const offered = module && UNIT.efficiency * module.power * each;
	// Units beside one another tell more than light and heat do; three are the least for a middle.
	const middle = power.length >= 3 ? median(power) : null;
	const usual =
		middle !== null
			? // At night nobody lags.
				middle > LEAST_POWER
				? { watts: middle, uncertainty: UNIT.alike }
				: null
			: offered !== null && offered > LEAST_POWER
				? { watts: Math.min(offered, rating ?? offered), uncertainty: UNIT.predicted }
				: null;
	const voltage = module?.voltage ?? null;
	return units
		.filter((unit) =>
			(['unit-power', 'open-circuit-voltage', 'ac-voltage'] as const).some((quantity) =>
				standing.has(placeKey(at(unit), quantity))
			)
		)
		.map((unit): EquipmentCase => {
			const probe = (quantity: Quantity, predicted: EquipmentProbe['predicted']) =>
				probeOf(
					at(unit),
					quantity,
					predicted,
					measurementPointAt(record, at(unit), quantity).state
				);
			const power = (code: CauseCode): Predicted | null => {
				if (!usual) return null;
				const { watts: whole, uncertainty } = usual;
				if (code === 'healthy') return figure(whole, uncertainty * whole, 1.3 * whole);
				if (code === 'module-degraded') {
					return figure(WEAK.left * whole, WEAK.spread * whole, 1.3 * whole);
				}
				return figure(0, 0.01 * whole, 1.3 * whole);
			};
			return {
				place: {
					string: branch.id,
					within: {
						spread: 'module',
						at: [unit * each],
						likeliest: unit * each,
						share: 1,
						words: `module ${unit * each + 1}`
					}
				},
				where: `${branch.label}, module ${unit * each + 1}`,
				states: statesOf([
					{ code: 'micro-inverter-dead', prior: rateOf('micro-inverter-dead', rates) },
					{ code: 'module-open', prior: each * rateOf('module-open', rates) },
					{ code: 'module-degraded', prior: each * rateOf('module-degraded', rates) },
					{ code: 'inverter-no-ac', prior: rateOf('inverter-no-ac', rates) / units.length }
				]),
				probes: [
					probe('unit-power', power),
					...(voltage === null
						? []
						: [
								probe('open-circuit-voltage', (code) =>
									code === 'module-open'
										? figure(0, 0.02 * voltage, 1.3 * voltage)
										: figure(voltage, 0.03 * voltage, 1.3 * voltage)
								)
							]),
					probe('ac-voltage', (code) =>
						code === 'inverter-no-ac'
							? figure(0, 3, AC.scale)
							: figure(AC.volts, AC.spread, AC.scale)
					)
				],
				reasons: []
			};
		});
}
