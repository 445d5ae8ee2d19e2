import type { ArrayRecord, StringRecord } from '$core/circuit/record';
import { writeVisitDocument } from '$core/document/file';
import {
	agedModel,
	moduleHere,
	predictValue,
	runningVolts,
	stringHere
} from '$core/expectation/predict';
import { STATE_OF_QUANTITY, USUAL_METERS, type Quantity } from '$core/expectation/visit';
import { faultOf } from '$core/faults/catalogue';
import type { StringFaultCode } from '$core/faults/fault';
import { maximumPowerPoint } from '$core/module/single-diode';

/*
 * The ferry terminal of the demo: its array with its planted faults, under a truth that differs a
 * little from what the sensor says, read by a meter with scatter.
 */

const id = (n: number) => `019a8000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;

const record: ArrayRecord = {
	inServiceSince: 2019,
	moduleTypes: [
		{
			id: id(1),
			name: 'Skerrymoor 335 M60',
			plate: {
				technology: 'mono-PERC',
				cellsInSeries: 60,
				sections: 3,
				pmax: 335,
				vmp: 33.15,
				imp: 10.11,
				voc: 40.58,
				isc: 10.78,
				alphaIscPctPerK: 0.048,
				betaVocPctPerK: -0.27
			},
			tolerance: { vocPct: 2, iscPct: 3 }
		}
	],
	strings: ['A1', 'A2', 'A3', 'A4', 'B1', 'B2', 'B3', 'B4'].map((label, i) => ({
		id: id(16 + i),
		label,
		moduleTypeId: id(1),
		moduleCount: 12,
		cableResistance: 0.4,
		fuse: { rating: 15 },
		input: label.startsWith('A') ? '1' : '2'
	}))
};

interface Planted {
	readonly code: StringFaultCode;
	/** In the fault's own unit: sections, modules, ohm. */
	readonly size: number;
}

export const PLANTED: Readonly<Record<string, Planted>> = {
	A2: { code: 'bypass-diode-shorted', size: 1 },
	A4: { code: 'module-missing', size: 1 },
	B1: { code: 'fuse-blown', size: 1 },
	B3: { code: 'connector-resistive', size: 5 }
};

/** Deterministic scatter: a linear congruential generator (Numerical Recipes) and Box-Muller. */
function scatterOf(seed: number): () => number {
	let state = seed;
	const uniform = () => {
		state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
		return (state + 0.5) / 2 ** 32;
	};
	return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

interface Day {
	readonly seed: number;
	readonly years: number;
	/** What reaches the cells, W/m2 and degC; the sensor says otherwise. */
	readonly light: number;
	readonly heat: number;
}

interface Figure {
	readonly string: StringRecord;
	readonly quantity: Quantity;
	readonly value: number;
	readonly atVolts: number | null;
}

function readAll({ seed, years, light, heat }: Day): Figure[] {
	const scatter = scatterOf(seed);
	const model = agedModel(record.moduleTypes[0]!, years);
	const module = moduleHere(model, light, heat);
	const figures = (quantity: Quantity) =>
		record.strings.map((string) => {
			const whole = stringHere(string, model, module);
			const busVolts = Math.round(runningVolts(whole, maximumPowerPoint(module).amps) * 10) / 10;
			const higher = string.input === '2' ? 1.4 : 0;
			const atVolts =
				quantity === 'operating-current' ? Number((busVolts + higher).toFixed(1)) : null;
			const planted = PLANTED[string.label];
			const fault = planted && faultOf(planted.code);
			const severity = fault && planted && { ...fault.severities[0], size: planted.size };
			const circuit =
				fault && severity ? fault.inject(whole, severity, STATE_OF_QUANTITY[quantity])! : whole;
			const exact = predictValue(circuit, quantity, atVolts);
			const volts = quantity === 'open-circuit-voltage';
			const read = exact * (1 + (volts ? 0.0018 : 0.006) * scatter());
			return { string, quantity, atVolts, value: Number(read.toFixed(volts ? 1 : 2)) };
		});
	return [...figures('open-circuit-voltage'), ...figures('operating-current')];
}

const START = '2026-11-17T11:05:00Z';
const BY = 'Wren Halloway';

/** The visit that the demo comes with, as a file. */
export function saltmarshVisit(): string {
	const figures = readAll({ seed: 11, years: 7.3, light: 604, heat: 24.6 });
	return writeVisitDocument({
		format: 'zembo-visit',
		version: 1,
		site: {
			id: id(2),
			name: 'Saltmarsh Ferry Terminal',
			place: 'Canopy over the waiting lanes, two combiner boxes at pillar 3',
			timeZone: 'Etc/UTC'
		},
		revision: { id: id(3), number: 1, createdAt: '2026-11-16T09:00:00Z' },
		record: structuredClone(record) as never,
		visit: {
			id: id(4),
			startedAt: START,
			by: BY,
			reason: 'Yield down since October',
			note: '',
			meters: structuredClone(USUAL_METERS),
			conditions: [
				{
					id: id(5),
					enteredAt: '2026-11-17T11:08:00Z',
					by: BY,
					irradiance: { value: 612, relativeStandardUncertainty: 0.03, source: 'sensor-in-plane' },
					cellTemperature: { value: 24, standardUncertainty: 2, source: 'probe-on-back' }
				}
			],
			readings: figures.map(({ string, quantity, value, atVolts }, i) => ({
				id: id(64 + i),
				stringId: string.id,
				quantity,
				switchingState: STATE_OF_QUANTITY[quantity],
				value,
				atVolts,
				typed: String(value),
				confirmed: false,
				takenAt: new Date(Date.parse(START) + (4 + i) * 45_000).toISOString(),
				by: BY,
				supersedes: null
			})),
			withdrawals: []
		}
	});
}

/** One row of the card: what the meter shows at a string on another day, of 838 W/m2 and 41 degC. */
interface CardRow {
	readonly mark: string;
	/** V */
	readonly openCircuit: number;
	/** V */
	readonly busVolts: number;
	/** A */
	readonly running: number;
}

/** What somebody who tries the demo types. */
export function meterCard(): CardRow[] {
	const figures = readAll({ seed: 29, years: 7.3, light: 821, heat: 41.7 });
	return record.strings.map((string) => {
		const [voc, running] = figures.filter((figure) => figure.string === string);
		return {
			mark: string.label,
			openCircuit: voc!.value,
			busVolts: running!.atVolts!,
			running: running!.value
		};
	});
}

/** The card as it stands in the demo's README. */
export function cardTable(): string {
	const rows = meterCard().map(
		({ mark, openCircuit, busVolts, running }) =>
			`| ${mark} | ${openCircuit} | ${busVolts} | ${running} |`
	);
	return [
		'| string | open circuit, V | running, V | running, A |',
		'|---|---|---|---|',
		...rows
	].join('\n');
}
