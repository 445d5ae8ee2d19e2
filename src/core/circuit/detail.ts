import { passes, substringPart } from './compile';
import {
	CLOSED,
	conductorResistance,
	poleConducts,
	type Device,
	type ModuleRun,
	type SubstringState,
	type StringCircuit
} from './description';
import { diodeCurrent, diodeVoltage, type DiodeModel } from './diode';
import { OffDevice, OPEN, SHORT } from './parts';
import { EvenSubstring, type Part, type Solution } from './substring';
import type { BusState } from './state';
import { UnevenSubstring } from './uneven-substring';

type PartKind =
	| 'section'
	| 'bridge'
	| 'gap'
	| 'device'
	| 'joint'
	| 'cable'
	| 'blocking-diode'
	| 'fuse'
	| 'disconnect';

/** One part of a string as it stands, between two named points. */
export interface PartState {
	/** As "A1 module 4 section 2" or "A1 fuse +". */
	readonly name: string;
	readonly kind: PartKind;
	readonly string: string;
	/** Index from the negative end, and of the section in it; null for what is no module. */
	readonly module: number | null;
	readonly section: number | null;
	/** Points below and above it. */
	readonly between: readonly [string, string];
	/** Volts of the upper point against the lower one, V. */
	readonly volts: number;
	/** Through it from the lower point to the upper one, A. */
	readonly amps: number;
	/** Given to the circuit; below 0: taken and turned into heat, W. */
	readonly watts: number;
	/** Bypass diode or series diode. */
	readonly diode: { readonly amps: number; readonly watts: number } | null;
	/** Cells in each light: volts of all together and heat in the cells that are driven, W. */
	readonly cells: readonly { readonly volts: number; readonly watts: number }[];
}

/** Every part of every string with what it bears, and the potential of every named point. */
export interface Detail {
	readonly parts: readonly PartState[];
	/** Against the negative pole of the bus, V. Points of hidden modules float and are left out. */
	readonly points: ReadonlyMap<string, number>;
}

/**
 * Walks every string from the negative pole of the bus to the positive one.
 *
 * Named points: `bus-`, `bus+`, `earth`; of a string A1 `A1:-` and `A1:+`, its leads at the combiner
 * before fuses, diode and switch; `A1:0` to `A1:n`, the joints, on the side of the module below;
 * `A1:k.s` above section s of module k; `A1:k'` the upper side of joint k where it has resistance.
 */
export function detailOf(state: BusState): Detail {
	const points = new Map<string, number>([
		['bus-', 0],
		['bus+', state.volts]
	]);
	if (state.earth !== null) points.set('earth', state.earth);
	const parts = state.bus.strings.flatMap((string, i) => new Walk(state, string, i, points).run());
	return { parts, points };
}

/** Volts of a point against another, V; null where one of them is not a point of this circuit. */
export function voltageBetween({ points }: Detail, from: string, to: string): number | null {
	const a = points.get(from);
	const b = points.get(to);
	return a === undefined || b === undefined ? null : a - b;
}

class Walk {
	private readonly parts: PartState[] = [];
	private potential: number;
	private point: string;
	private current: number;
	private segment = 0;

	constructor(
		private readonly state: BusState,
		private readonly string: StringCircuit,
		private readonly index: number,
		private readonly points: Map<string, number>
	) {
		const reversed = string.leadsReversed ?? false;
		this.potential = reversed ? state.volts : 0;
		this.point = reversed ? 'bus+' : 'bus-';
		this.current = state.segments[index]![0]!.current;
	}

	run(): readonly PartState[] {
		const { string } = this;
		const name = string.name;
		this.path('negative', [`${name}:-f`, `${name}:-d`, `${name}:-`]);
		this.resistor('cable', `${name} cable -`, conductorResistance(string), `${name}:0`, true);
		this.connector(0);
		const off = (string.devices ?? []).filter((device) => !passes(device, this.state.bus));
		let first = 0;
		for (const run of string.modules) {
			for (let k = first; k < first + run.count; k++) {
				const device = off.find((d) => k >= d.first && k < d.first + d.covers);
				if (device) this.hidden(device, k);
				else this.module(run, k);
				this.connector(k + 1);
			}
			first += run.count;
		}
		this.resistor('cable', `${name} cable +`, conductorResistance(string), `${name}:+`, true);
		this.path('positive', [`${name}:+b`, `${name}:+f`, `${name}:+d`]);
		return this.parts;
	}

	private path(pole: 'positive' | 'negative', points: readonly [string, string, string]): void {
		const { name, fuses, blockingDiode, disconnect = CLOSED } = this.string;
		const sign = pole === 'positive' ? '+' : '-';
		const fuse = fuses?.[pole];
		const passable = (conducts: boolean) => (conducts ? 0 : OPEN);
		if (pole === 'negative') {
			this.resistor(
				'disconnect',
				`${name} switch -`,
				passable(poleConducts(disconnect, pole)),
				points[0]
			);
			this.resistor('fuse', `${name} fuse -`, passable(fuse?.state !== 'blown'), points[1]);
			this.mark(points[2]);
			return;
		}
		if (blockingDiode?.state === 'whole') this.diode(blockingDiode, points[0]);
		else if (blockingDiode) {
			const resistance = blockingDiode.state === 'open' ? OPEN : SHORT;
			this.resistor('blocking-diode', `${name} blocking diode`, resistance, points[0]);
		}
		this.resistor('fuse', `${name} fuse ${sign}`, passable(fuse?.state !== 'blown'), points[1]);
		this.resistor(
			'disconnect',
			`${name} switch ${sign}`,
			passable(poleConducts(disconnect, pole)),
			points[2]
		);
	}

	private module(run: ModuleRun, k: number): void {
		const { name } = this.string;
		const upper = `${name}:${k + 1}`;
		switch (run.state) {
			case 'absent':
				this.mark(upper);
				return;
			case 'bridged':
				this.resistor('bridge', `${name} module ${k + 1}`, SHORT, upper, true);
				return;
			case 'open':
				this.resistor('gap', `${name} module ${k + 1}`, OPEN, upper, true);
				return;
			default: {
				const order = run.state === 'reversed' ? [...run.sections].reverse() : run.sections;
				order.forEach((substring, s) => {
					const last = s === order.length - 1;
					this.substring(run, substring, k, s, last ? upper : `${name}:${k + 1}.${s + 1}`);
				});
				this.mark(upper);
			}
		}
	}

	private substring(
		run: ModuleRun,
		state: SubstringState,
		k: number,
		s: number,
		upper: string
	): void {
		const sign = run.state === 'reversed' ? -1 : 1;
		const current = sign * this.current;
		const part = substringPart(run, state, this.state.bus);
		const at = substringAt(part, state.bypass === 'whole' ? this.state.bus.bypass : null, current);
		this.add({
			name: `${this.string.name} module ${k + 1} section ${s + 1}`,
			kind: 'section',
			module: k,
			section: s,
			upper,
			volts: sign * at.voltage,
			diode: at.diode,
			cells: at.cells
		});
	}

	/** A module behind a device that is off: it stands alone; the device stands in the string. */
	private hidden(device: Device, k: number): void {
		const { name } = this.string;
		const upper = `${name}:${k + 1}`;
		if (k !== device.first) {
			this.mark(upper);
			return;
		}
		const one: Solution = { voltage: 0, slope: 0 };
		new OffDevice(device.offVolts, this.state.bus.bypass).solve(this.current, one);
		this.add({
			name: `${name} device of module ${k + 1}`,
			kind: 'device',
			module: k,
			section: null,
			upper,
			volts: one.voltage,
			diode: null,
			cells: []
		});
	}

	private connector(at: number): void {
		const found = this.string.joints?.filter((connector) => connector.at === at) ?? [];
		let ohms = 0;
		for (const { resistance } of found) ohms += resistance === 'open' ? OPEN : resistance;
		const { name } = this.string;
		if (ohms > 0) this.resistor('joint', `${name} joint ${at}`, ohms, `${name}:${at}'`);
		const segments = this.state.segments[this.index]!;
		while (segments[this.segment]!.upTo === at && this.segment < segments.length - 1) {
			this.segment++;
			this.current = segments[this.segment]!.current;
		}
	}

	private diode(model: DiodeModel, upper: string): void {
		const drop = diodeVoltage(model, this.current);
		this.add({
			name: `${this.string.name} blocking diode`,
			kind: 'blocking-diode',
			module: null,
			section: null,
			upper,
			volts: -drop,
			diode: { amps: this.current, watts: drop * this.current },
			cells: []
		});
	}

	/** A part of 0 ohm is left out; its upper point is still named where asked. */
	private resistor(
		kind: PartKind,
		name: string,
		resistance: number,
		upper: string,
		named = false
	): void {
		if (resistance > 0) {
			this.add({
				name,
				kind,
				module: null,
				section: null,
				upper,
				volts: -this.current * resistance,
				diode: null,
				cells: []
			});
		} else if (named) this.mark(upper);
	}

	private add(
		part: Pick<PartState, 'name' | 'kind' | 'module' | 'section' | 'volts' | 'diode' | 'cells'> & {
			readonly upper: string;
		}
	): void {
		const { upper, ...rest } = part;
		this.potential += part.volts;
		this.parts.push({
			...rest,
			string: this.string.name,
			between: [this.point, upper],
			amps: this.current,
			watts: part.volts * this.current
		});
		this.mark(upper);
	}

	private mark(point: string): void {
		this.points.set(point, this.potential);
		this.point = point;
	}
}

interface SubstringAt {
	readonly voltage: number;
	readonly diode: PartState['diode'];
	readonly cells: PartState['cells'];
}

/** A section at its own current: its volts, its diode's share, and each group of its cells. */
function substringAt(part: Part | number, bypass: DiodeModel | null, current: number): SubstringAt {
	if (typeof part === 'number') {
		const voltage = -current * part;
		return { voltage, diode: null, cells: [] };
	}
	const one: Solution = { voltage: 0, slope: 0 };
	part.solve(current, one);
	const { voltage } = one;
	const at = { value: 0, slope: 0 };
	if (bypass) diodeCurrent(bypass, -voltage, at);
	const through = at.value;
	const diode = bypass ? { amps: through, watts: -voltage * through } : null;
	if (part instanceof EvenSubstring) {
		return {
			voltage,
			diode,
			cells: [{ volts: voltage, watts: Math.max(0, -voltage * (current - through)) }]
		};
	}
	if (part instanceof UnevenSubstring) {
		const cells = part
			.groupsAt(voltage)
			.flat()
			.map((group) => ({ volts: group.volts, watts: Math.max(0, -group.volts * group.amps) }));
		return { voltage, diode, cells };
	}
	return { voltage, diode, cells: [] };
}
