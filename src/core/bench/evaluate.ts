import {
	maximumPowerPoint,
	type Nameplate,
	openCircuitVoltage,
	shortCircuitCurrent,
	translate
} from '../module';
import { median } from '../numerics';
import { estimateType, type TypeEstimate } from './estimate-type';
import type { Alignment } from './alignment';
import { fillFactorOf } from './fill-factor';
import { gradeOf, type Graded } from './grade';
import { irradianceOf, type MeasurementIrradiance } from './irradiance';
import { anomalies, type Anomaly, type Shares } from './anomaly';
import type { ModuleBatch, BatchNameplate, BatchModule, Take } from './module-batch';
import { fitOf, nameplateOf } from './nameplate-of';

/** One module of a batch with everything that its takes say. */
export interface ModuleResult {
	readonly module: BatchModule;
	/** The label made whole, or the estimate in its place; null where neither is there. */
	readonly nameplate: Nameplate | null;
	/** What of the label was filled in. */
	readonly filled: readonly string[];
	readonly estimate: TypeEstimate | null;
	/** Medians of the takes over what the label gives in their light and heat. */
	readonly shares: Shares;
	/**
	 * Of label power, corrected to standard conditions; null where nothing tells. Without a measurement on a load it is
	 * the most that the module can give (`graded.atMost`).
	 */
	readonly share: number | null;
	/** Standard uncertainty of the share. */
	readonly uncertainty: number;
	/** What it is worth now, W at standard conditions. */
	readonly power: number | null;
	/** Its power as read over its label, uncorrected; null where no watts were read. */
	readonly asRead: number | null;
	/** Its share over that of the control in the same light; null without a control. */
	readonly againstControl: number | null;
	/** Largest relative difference between its takes. */
	readonly spread: number;
	readonly odd: readonly Anomaly[];
	readonly graded: Graded;
	/** Where the light of its takes comes from. */
	readonly irradiance: MeasurementIrradiance['from'] | null;
	/** Maximum power over Voc times Isc; null where it was not measured on a load. */
	readonly fillFactor: number | null;
	/** How the share was come by. */
	readonly how: string;
}

/** Standard uncertainties of a usual meter and clamp, of a label, and of volts times amps for watts; judgement. */
const UNCERTAINTY = {
	volts: 0.006,
	amps: 0.015,
	watts: 0.02,
	load: 0.025,
	label: 0.015,
	fillFactor: 0.03
};
/** Relative change of power a kelvin, for the uncertainty about heat. */
const PER_KELVIN = 0.004;

/** Every module of a batch, in its order. */
export function evaluateBatch(batch: ModuleBatch, year: number): ModuleResult[] {
	const irradiance = irradianceOf(batch);
	return batch.modules.map((module) => evaluateModule(module, batch, irradiance, year));
}

interface Corrected {
	readonly take: Take;
	readonly irradiance: MeasurementIrradiance;
	/** What the label gives in that light and heat: V, A, W. */
	readonly voltage: number;
	readonly current: number;
	readonly power: number;
	/** Maximum power by a point on a load, over what the label gives, W; null where there is none. */
	readonly loaded: {
		readonly power: number;
		readonly of: number;
		readonly fillFactor: number;
	} | null;
}

function evaluateModule(
	module: BatchModule,
	batch: ModuleBatch,
	irradianceAt: (take: Take) => MeasurementIrradiance | null,
	year: number
): ModuleResult {
	const known = nameplateOf(module.label);
	const estimate = known ? null : estimateOf(module, irradianceAt);
	const filled = known ?? (estimate && nameplateOf(estimate.label));
	const nameplate = filled?.nameplate ?? null;
	const takes = module.takes.filter((take) => hasKnownIrradiance(take, irradianceAt));
	const corrected = nameplate
		? takes.flatMap((take) => correct(take, nameplate, irradianceAt))
		: [];
	const ratio = (of: 'voltage' | 'current' | 'power', readOf: (take: Take) => number | null) => {
		const values = corrected.flatMap(({ take, [of]: healthy }) => {
			const read = readOf(take);
			return read === null ? [] : [read / healthy];
		});
		return values.length === 0
			? null
			: { middle: median(values), spread: spreadOf(values), values };
	};
	const [voltage, current, power] = [
		ratio('voltage', ({ volts }) => volts),
		ratio('current', ({ amps }) => amps),
		ratio('power', ({ watts }) => watts)
	];
	const shares: Shares = {
		voltage: voltage?.middle ?? null,
		current: current?.middle ?? null,
		power: power?.middle ?? null
	};
	const spread = Math.max(0, ...[voltage, current, power].map((one) => one?.spread ?? 0));
	const byProduct = shares.voltage !== null && shares.current !== null;
	const loaded = corrected.flatMap(({ loaded: one }) => (one ? [one] : []));
	const byLoad =
		loaded.length === 0 ? null : median(loaded.map(({ power: most, of }) => most / of));
	const share =
		shares.power ??
		byLoad ??
		(byProduct ? Math.abs(shares.voltage!) * Math.max(0, shares.current!) : null);
	const repeats = Math.max(1, power?.values.length ?? current?.values.length ?? 1);
	const lights = corrected.map(({ irradiance }) => irradiance);
	// Takes whose light comes from the same readings of the control share what those are wrong by.
	const readings = Math.max(1, new Set(lights.map(({ basis }) => basis)).size);
	const most = (of: (irradiance: MeasurementIrradiance) => number) =>
		Math.max(0, ...lights.map(of));
	/** But for the angle at which the module lay. */
	const measured =
		share === null
			? 0
			: share *
				Math.hypot(
					(shares.power !== null
						? UNCERTAINTY.watts
						: byLoad !== null
							? UNCERTAINTY.load
							: Math.hypot(UNCERTAINTY.volts, UNCERTAINTY.amps)) / Math.sqrt(repeats),
					shares.power === null && byLoad === null ? UNCERTAINTY.fillFactor : 0,
					UNCERTAINTY.label,
					most(({ irradianceUncertainty }) => irradianceUncertainty) / Math.sqrt(readings),
					PER_KELVIN * most(({ cellTemperatureUncertainty }) => cellTemperatureUncertainty),
					spread / (2 * Math.sqrt(repeats)),
					filled && filled.filled.length > 0 ? 0.02 : 0
				);
	const angle = (share ?? 0) * most(({ alignment }) => alignment?.uncertainty ?? 0);
	const uncertainty = Math.hypot(measured, angle);
	// An estimate is made of the very readings: a share of it says nothing.
	const ofLabel = known ? share : null;
	const years = module.year === null ? null : Math.max(0, year - module.year);
	return {
		module,
		nameplate,
		filled: known?.filled ?? [],
		estimate,
		shares,
		share: ofLabel,
		uncertainty,
		power: nameplate && share !== null ? nameplate.pmax * share : (estimate?.power ?? null),
		asRead: asReadOf(module),
		againstControl:
			ofLabel !== null && batch.control !== null && lights.some(({ from }) => from === 'control')
				? ofLabel / batch.control.share
				: null,
		spread,
		odd: anomalies(
			known ? shares : { voltage: null, current: null, power: null },
			nameplate?.sections ?? 3,
			spread,
			module
		),
		graded: gradeOf(
			ofLabel,
			uncertainty,
			years,
			batch.profile,
			shares.power !== null || byLoad !== null,
			measured
		),
		irradiance: lights[0]?.from ?? null,
		fillFactor: loaded.length === 0 ? null : median(loaded.map(({ fillFactor }) => fillFactor)),
		how: howOf(shares, byLoad !== null, lights, known === null)
	};
}

/** The label of the last take in standard conditions, read off the figures alone. */
function estimateOf(
	module: BatchModule,
	irradianceAt: (take: Take) => MeasurementIrradiance | null
): TypeEstimate | null {
	const standard = module.takes
		.filter((take) => hasKnownIrradiance(take, irradianceAt))
		.flatMap((take) => {
			const irradiance = irradianceAt(take);
			if (!irradiance || take.volts === null || take.amps === null) return [];
			const warm = irradiance.cellTemperature - 25;
			return [
				{
					// 0.3 %/K and a little for weak light: usual silicon.
					voc:
						Math.abs(take.volts) /
						(1 - 0.003 * warm + 0.04 * Math.log10(irradiance.irradiance / 1000)),
					isc: take.amps / (irradiance.irradiance / 1000) / (1 + 0.0005 * warm)
				}
			];
		});
	if (standard.length === 0) return null;
	return estimateType(
		median(standard.map(({ voc }) => voc)),
		median(standard.map(({ isc }) => isc)),
		module.size
	);
}

/** A module at another angle than the reference module has the light that both shadows say, else none that is known. */
function hasKnownIrradiance(
	take: Take,
	irradianceAt: (take: Take) => MeasurementIrradiance | null
): boolean {
	return !take.otherAngle || irradianceAt(take)?.alignment?.by === 'shadow';
}

function correct(
	take: Take,
	nameplate: Nameplate,
	irradianceAt: (take: Take) => MeasurementIrradiance | null
): Corrected[] {
	const irradiance = irradianceAt(take);
	if (!irradiance || irradiance.irradiance <= 0) return [];
	const here = translate(fitOf(nameplate), irradiance.irradiance, irradiance.cellTemperature);
	const best = maximumPowerPoint(here);
	const three =
		take.load && take.volts !== null && take.amps !== null
			? fillFactorOf(here, take.volts, take.amps, take.load)
			: null;
	return [
		{
			take,
			irradiance,
			voltage: openCircuitVoltage(here),
			current: shortCircuitCurrent(here),
			power: best.volts * best.amps,
			loaded: three && {
				power: three.power,
				of: best.volts * best.amps,
				fillFactor: three.value
			}
		}
	];
}

function spreadOf(values: readonly number[]): number {
	const most = Math.max(...values);
	const least = Math.min(...values);
	const middle = Math.abs(median(values));
	return middle > 0 ? (most - least) / middle : 0;
}

function asReadOf({
	label,
	takes
}: {
	label: BatchNameplate;
	takes: readonly Take[];
}): number | null {
	const read = takes.flatMap(({ watts: power }) => (power === null ? [] : [power]));
	return read.length > 0 && label.pmax !== null ? median(read) / label.pmax : null;
}

const ALIGNMENT_WORDS: Readonly<Record<Alignment['by'], string>> = {
	shadow: ', corrected for its angle by the shadows',
	'same-plane': '',
	'not-checked':
		'; whether both lie in one plane was not checked, so the range is wide: check it, or enter the shadow of a stick on both'
};

function howOf(
	shares: Shares,
	onLoad: boolean,
	lights: readonly MeasurementIrradiance[],
	unlabelled: boolean
): string {
	const [irradiance] = lights;
	if (!irradiance)
		return 'No irradiance is known for its measurements: measure the reference module, or enter the irradiance.';
	const by =
		irradiance.from === 'control'
			? `the reference module measured in between${ALIGNMENT_WORDS[irradiance.alignment?.by ?? 'same-plane']}`
			: `the stated ${irradiance.irradiance.toFixed(0)} W/m²`;
	if (unlabelled) return `Brought to standard conditions by ${by}.`;
	if (shares.power !== null)
		return `Power over what its nameplate gives at this irradiance, by ${by}.`;
	if (onLoad) {
		return `Maximum power by open circuit, short circuit and a point on a load, over what its nameplate gives at this irradiance, by ${by}.`;
	}
	return `Voltage and current over what its nameplate gives at this irradiance, by ${by}; the fill factor is not tested.`;
}
