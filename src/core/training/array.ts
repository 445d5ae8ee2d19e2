import type { Nameplate } from '../module';
import {
	type ArrayRecord,
	EMPTY_RECORD,
	type Part,
	type StringRecord,
	UNKNOWN_LIMITS,
	unknownSpecs,
	UNSEEN_STRING
} from '../record';
import type { Random } from '../numerics';

/** Invented labels that agree with themselves; others are drawn near them. */
const NAMEPLATES: readonly Nameplate[] = [
	{
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
	{
		technology: 'TOPCon',
		cellsInSeries: 72,
		sections: 3,
		pmax: 391,
		vmp: 42.54,
		imp: 9.2,
		voc: 50.81,
		isc: 9.68,
		alphaIscPctPerK: 0.045,
		betaVocPctPerK: -0.25
	},
	{
		technology: 'poly',
		cellsInSeries: 60,
		sections: 3,
		pmax: 262,
		vmp: 30.9,
		imp: 8.48,
		voc: 38.1,
		isc: 9.02,
		alphaIscPctPerK: 0.05,
		betaVocPctPerK: -0.31
	}
];

/** Ids of a scenario's entries: a kind and a number. */
export function scenarioId(kind: number, n: number): string {
	return `019c0000-${kind.toString(16).padStart(4, '0')}-7000-8000-${n.toString(16).padStart(12, '0')}`;
}

export const INVERTER_ID = scenarioId(9, 1);

/** What a scenario may be told instead of drawing it. */
export interface ArrayWishes {
	readonly strings?: number | undefined;
	readonly modules?: number | undefined;
	/** Rapid-shutdown devices behind the modules. */
	readonly devices?: boolean | undefined;
	readonly fused?: boolean | undefined;
}

const part = (id: string, kind: Part['kind'], mark: string, specs: object): Part =>
	({
		id,
		kind,
		mark,
		place: null,
		model: null,
		serial: null,
		to: null,
		specs: { ...unknownSpecs(kind), ...specs }
	}) as Part;

/** An array as somebody recorded it. */
export function drawArray(random: Random, wishes: ArrayWishes = {}): ArrayRecord {
	const plates = drawPlates(random);
	const count = wishes.strings ?? drawCount(random);
	const inputs = count < 2 ? 1 : random.pick([1, 1, 2]);
	const modules = wishes.modules ?? random.whole(8, 24);
	// Now and then the inputs carry strings of different length.
	const otherLength =
		wishes.modules === undefined && inputs === 2 && random.chance(0.35)
			? Math.max(6, modules + random.pick([-3, -2, 2, 3]))
			: modules;
	const devices = wishes.devices ?? random.chance(0.25);
	const perDevice = random.chance(0.75) ? 1 : 2;
	const fused = wishes.fused ?? count / inputs > 2;
	const blocking = random.chance(0.12);
	const split = Math.ceil(count / inputs);
	return {
		...EMPTY_RECORD,
		inServiceSince: 2026 - random.whole(1, 15),
		system: devices ? 'rapid-shutdown' : 'string-inverter',
		moduleTypes: plates.map((nameplate, i) => ({
			id: scenarioId(2, i + 1),
			name: `Type ${i + 1}`,
			plate: nameplate,
			tolerance: { vocPct: 2, iscPct: 3 },
			limits: UNKNOWN_LIMITS
		})),
		parts: [
			part(INVERTER_ID, 'inverter', 'INV 1', {}),
			...(devices
				? [
						part(scenarioId(9, 2), 'rapid-shutdown-device', 'RSD', { offVolts: 0.6 }),
						part(scenarioId(9, 3), 'transmitter', 'TX 1', { supplyVolts: 12 })
					]
				: []),
			...Array.from({ length: inputs }, (_, i) =>
				part(scenarioId(8, i + 1), 'dc-disconnect', `Q${i + 1}`, {})
			)
		],
		strings: Array.from({ length: count }, (_, i): StringRecord => {
			const input = Math.floor(i / split);
			return {
				...UNSEEN_STRING,
				id: scenarioId(3, i + 1),
				label: `S${i + 1}`,
				moduleTypeId: scenarioId(2, 1),
				moduleCount: input === 0 ? modules : otherLength,
				cableResistance: 0.2,
				fuse: fused ? { rating: 20 } : null,
				blockingDiode: blocking ? 'silicon' : 'none',
				devices: devices
					? { kind: 'rapid-shutdown', modulesPerDevice: perDevice, part: scenarioId(9, 2) }
					: null,
				to: scenarioId(8, input + 1),
				input: String.fromCharCode(65 + input)
			};
		})
	};
}

function drawCount(random: Random): number {
	return Math.min(24, 2 + Math.floor(random.logBetween(1, 16)));
}

/** The label, and another that a wrong record may have meant. */
function drawPlates(random: Random): Nameplate[] {
	const nameplate = random.pick(NAMEPLATES);
	const current = random.between(0.85, 1.15);
	const voltage = random.between(0.97, 1.03);
	const tenth = (value: number, digits: number) => Number(value.toFixed(digits));
	const vmp = tenth(nameplate.vmp * voltage, 2);
	const imp = tenth(nameplate.imp * current, 2);
	return [
		{
			...nameplate,
			vmp,
			imp,
			voc: tenth(nameplate.voc * voltage, 2),
			isc: tenth(nameplate.isc * current, 2),
			pmax: Math.round(vmp * imp)
		}
	];
}
