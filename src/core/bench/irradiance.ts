import { fromReferenceModule, irradianceFromIsc } from '../conditions';
import { fitLabel, maximumPowerPoint, translate } from '../module';
import { millisOf, STC_IRRADIANCE } from '../units';
import { alignmentOf, type Alignment } from './alignment';
import type { Control, ModuleBatch, Shadow, Take } from './module-batch';
import { nameplateOf } from './nameplate-of';

/** Light and heat at the moment of a take. */
export interface MeasurementIrradiance {
	/** W/m2 */
	readonly irradiance: number;
	/** degC */
	readonly cellTemperature: number;
	/** Standard uncertainty, relative, without that of the alignment. */
	readonly irradianceUncertainty: number;
	/** How it was carried from the reference module to this one; null where it was stated. */
	readonly alignment: Alignment | null;
	/** The same for takes whose light comes from the same readings. */
	readonly basis: string;
	/** Standard uncertainty, K. */
	readonly cellTemperatureUncertainty: number;
	readonly from: 'control' | 'stated';
}

/** A control's own figures say the light this well, relative; its share of its label is less sure. Judgement. */
const BY_CONTROL = { light: 0.02, heat: 3 };
/** Beyond so many minutes from a control's take the sun has moved on: the uncertainty grows by so much a minute. */
const DRIFT = { minutes: 10, perMinute: 0.002 };
/** Where no one knows the cells' heat. */
const UNKNOWN_TEMPERATURE = { above: 0.03, air: 20, uncertainty: 8 };
const STATED_TEMPERATURE = 2.5;
/** Of the range in which a light is looked for. */
const HALVINGS = 40;

/** What the control saw at its takes, in their order. */
interface Seen {
	readonly at: number;
	readonly shadow: Shadow | undefined;
	readonly irradiance: number;
	readonly cellTemperature: number | null;
}

/** Light and heat of every take that a control gives, by its takes before and after. */
export function irradianceOf(
	batch: Pick<ModuleBatch, 'control' | 'sky'>
): (take: Pick<Take, 'at' | 'cellTemperature' | 'shadow'>) => MeasurementIrradiance | null {
	const around = irradianceAround(batch);
	return (take) => {
		const irradiance = around(take);
		return irradiance && take.cellTemperature !== undefined
			? {
					...irradiance,
					cellTemperature: take.cellTemperature,
					cellTemperatureUncertainty: STATED_TEMPERATURE
				}
			: irradiance;
	};
}

function irradianceAround(
	batch: Pick<ModuleBatch, 'control' | 'sky'>
): (take: Pick<Take, 'at' | 'shadow'>) => MeasurementIrradiance | null {
	const seen = batch.control === null ? [] : seenBy(batch.control, batch.sky.cellTemperature);
	const { irradiance, cellTemperature, lightDoubt: irradianceUncertainty } = batch.sky;
	const samePlane = batch.control?.samePlane === true;
	return ({ at, shadow }) => {
		if (seen.length > 0) {
			return between(seen, millisOf(at), cellTemperature, (reference) =>
				alignmentOf(shadow, reference, samePlane)
			);
		}
		if (irradiance === null) return null;
		return {
			irradiance,
			cellTemperature: cellTemperature ?? assumedCellTemperature(irradiance),
			irradianceUncertainty,
			alignment: null,
			basis: 'stated',
			cellTemperatureUncertainty:
				cellTemperature === null ? UNKNOWN_TEMPERATURE.uncertainty : STATED_TEMPERATURE,
			from: 'stated'
		};
	};
}

/**
 * The cell temperature that is assumed where none is stated: 20 degC of air and 0.03 K above it for each W/m2.
 * Common practice, no source.
 *
 * @param irradiance W/m2
 * @returns degC
 */
export function assumedCellTemperature(irradiance: number): number {
	return UNKNOWN_TEMPERATURE.air + UNKNOWN_TEMPERATURE.above * irradiance;
}

function seenBy({ label, share, takes }: Control, stated: number | null): Seen[] {
	const filled = nameplateOf(label);
	if (!filled) return [];
	const model = fitLabel(filled.nameplate);
	return takes
		.flatMap((take): Seen[] => {
			const seen = sunIn(model, filled.nameplate.pmax, share, take, stated);
			return seen ? [{ at: millisOf(take.at), shadow: take.shadow, ...seen }] : [];
		})
		.sort((a, b) => a.at - b.at);
}

/** What one take of the control says; its current best, else its power. */
function sunIn(
	model: ReturnType<typeof fitLabel>,
	pmax: number,
	share: number,
	{ amps: current, volts: voltage, watts: power, cellTemperature }: Take,
	ofBatch: number | null
): Omit<Seen, 'at' | 'shadow'> | null {
	const stated = cellTemperature ?? ofBatch;
	if (current !== null && current > 0) {
		// A control that has aged gives less current than its label in the same light.
		const fresh = current / share;
		if (stated !== null || voltage === null) {
			const temperature = stated ?? assumedCellTemperature(irradianceFromIsc(model, fresh, 25));
			return { irradiance: irradianceFromIsc(model, fresh, temperature), cellTemperature: stated };
		}
		const both = fromReferenceModule(model, fresh, voltage);
		return both.ok ? both.value : null;
	}
	if (power === null || power <= 0) return null;
	// Power falls with the heat of the cells, so the light is looked for in which it gives this much in that heat.
	const given = (irradiance: number) => {
		const here = translate(model, irradiance, stated ?? assumedCellTemperature(irradiance));
		const best = maximumPowerPoint(here);
		return best.volts * best.amps;
	};
	const first = (STC_IRRADIANCE * power) / (share * pmax);
	let [low, high] = [0.5 * first, 2 * first];
	for (let i = 0; i < HALVINGS; i++) {
		const middle = 0.5 * (low + high);
		if (given(middle) < power / share) low = middle;
		else high = middle;
	}
	return { irradiance: 0.5 * (low + high), cellTemperature: stated };
}

/** Between two takes of the control the light is taken to move evenly. */
function between(
	seen: readonly Seen[],
	at: number,
	stated: number | null,
	alignedTo: (reference: Shadow | undefined) => Alignment
): MeasurementIrradiance {
	const after = seen.findIndex((one) => one.at >= at);
	const right = seen[after === -1 ? seen.length - 1 : after]!;
	const left = seen[after <= 0 ? (after === -1 ? seen.length - 1 : 0) : after - 1]!;
	const span = right.at - left.at;
	const share = span > 0 ? Math.min(1, Math.max(0, (at - left.at) / span)) : 0;
	const mixed = (of: (one: Seen) => number) => of(left) + share * (of(right) - of(left));
	// The sun moves little between two takes of the control: the nearer one's shadow, else the other's.
	const near = share < 0.5 ? [left, right] : [right, left];
	const alignment = alignedTo(near.find(({ shadow }) => shadow)?.shadow);
	const onControl = mixed((one) => one.irradiance);
	const irradiance = onControl * alignment.factor;
	const heats = left.cellTemperature !== null && right.cellTemperature !== null;
	const away = Math.min(Math.abs(at - left.at), Math.abs(right.at - at)) / 60_000;
	const drift = DRIFT.perMinute * Math.max(0, away - DRIFT.minutes);
	// The two takes about it disagree by what the light moved in between.
	const moved = Math.abs(right.irradiance - left.irradiance) / (4 * onControl);
	return {
		irradiance,
		cellTemperature: heats
			? mixed((one) => one.cellTemperature!)
			: assumedCellTemperature(irradiance),
		alignment,
		basis: `${left.at}/${right.at}`,
		irradianceUncertainty: Math.hypot(BY_CONTROL.light, drift, moved),
		cellTemperatureUncertainty:
			stated !== null
				? STATED_TEMPERATURE
				: heats
					? BY_CONTROL.heat
					: UNKNOWN_TEMPERATURE.uncertainty,
		from: 'control'
	};
}
