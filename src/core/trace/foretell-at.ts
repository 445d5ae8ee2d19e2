import type { Reading } from '../expectation/visit';
import { isRunning } from '../expectation/switching';
import type { Foretold } from './evidence';
import { modulesAt, type StringBuild, type Suspect } from './suspect';

/** What located readings are foretold from, at the light and heat of the visit. */
export interface Here extends StringBuild {
	/** Open-circuit volts and short-circuit current of one sound module. */
	readonly moduleVolts: number;
	readonly moduleAmps: number;
	/** Volts that one device puts out while off; 0 where there are none. */
	readonly deviceVolts: number;
	/** Rating printed on the string's fuse, A; null where unknown. */
	readonly fuseRating: number | null;
	/** Current that the string carries while it runs, A. */
	readonly running: number;
}

/** A diode tester's figure where nothing conducts. */
const OVER_RANGE = 9.99;
/** Ohms on the logarithmic scale: contacts of a whole fuse, a pole or a joint, and an open one. */
export const CLOSED_OHMS = { value: Math.log10(0.15), sigma: 0.35, scale: 6 };
export const OPEN_OHMS = { value: 7, sigma: 1.2, scale: 6 };

/** Ohms as they are weighed: open lines show up to nine nines, contacts tenths. */
export function onScale({ quantity, value }: Pick<Reading, 'quantity' | 'value'>): number {
	switch (quantity) {
		case 'fuse-resistance':
		case 'pole-resistance':
		case 'joint-resistance':
			return Math.log10(Math.min(Math.max(value, 0.05), 1e9));
		case 'insulation-resistance':
			return Math.log10(Math.min(Math.max(value, 1e-3), 1e4));
		default:
			return value;
	}
}

/** Share of its open-circuit volts that a module adds to its string; null where its path is open. */
function moduleShare(suspect: Suspect | null, module: number, here: Here): number | null {
	if (!suspect) return 1;
	const { fault, severity, at } = suspect;
	const [first, count] = modulesAt(fault.spread, at, here);
	if (module < first || module >= first + count) return 1;
	switch (fault.code) {
		case 'bypass-diode-shorted':
		case 'section-open':
			return 1 - severity.size / here.type.plate.sections;
		case 'module-shorted':
			return 0;
		case 'module-reversed':
			return -1;
		case 'module-open':
			return null;
		case 'module-wrong-type':
			return severity.second ?? 1;
		case 'record-wrong':
			return severity.second ?? 1;
		default:
			return 1;
	}
}

/** Whether a device holds a module's volts from its string. */
function heldDown(suspect: Suspect | null, module: number, here: Here): boolean {
	if (suspect?.fault.code !== 'rsd-device-off') return false;
	const [first, count] = modulesAt('device', suspect.at, here);
	return module >= first && module < first + count;
}

/**
 * Open-circuit volts of the modules between two joints, parted there and read between their own leads;
 * the home runs belong to the outermost stretches.
 */
function stretchVolts(suspect: Suspect | null, from: number, to: number, here: Here): number {
	const n = here.string.moduleCount;
	if (suspect?.fault.code === 'connector-open') {
		const { at } = suspect;
		const inside = (at > from && at < to) || (at === from && from === 0) || (at === to && to === n);
		if (inside) return 0;
	}
	let share = 0;
	for (let module = from; module < to; module++) {
		if (heldDown(suspect, module, here)) {
			share += here.deviceVolts / here.moduleVolts;
			continue;
		}
		const own = moduleShare(suspect, module, here);
		if (own === null) return 0;
		share += own;
	}
	return share * here.moduleVolts;
}

/** Section of a suspect that sits in one, as [module, section] from 0; null otherwise. */
function sectionOf({ fault, at }: Suspect, { type }: Here): readonly [number, number] | null {
	if (fault.spread !== 'section') return null;
	return [Math.floor(at / type.plate.sections), at % type.plate.sections];
}

const figure = (value: number, sigma: number, scale: number): Foretold => ({ value, sigma, scale });

/**
 * What a reading at one place of a string would show if the suspect sat where it does, or if the
 * string were whole. The figures of parts are common practice, their scatter judgement.
 *
 * @returns null where nothing can be foretold, so that the reading tells nothing
 */
export function foretellAt(
	{ place, quantity, state }: Pick<Reading, 'place' | 'quantity' | 'state'>,
	suspect: Suspect | null,
	here: Here
): Foretold | null {
	const code = suspect?.fault.code ?? null;
	const size = suspect?.severity.size ?? 0;
	const { moduleVolts: v, moduleAmps, type, string } = here;
	const n = string.moduleCount;
	switch (place.kind) {
		case 'stretch': {
			if (quantity !== 'stretch-voltage') return null;
			const span = place.to - place.from;
			const value = stretchVolts(suspect, place.from, place.to, here);
			return figure(
				value,
				Math.hypot(0.012 * v * Math.sqrt(span), 0.006 * v * span, 0.2),
				1.3 * v * n
			);
		}
		case 'joint': {
			const here = suspect && suspect.at === place.joint;
			if (quantity === 'joint-rise') {
				const hot = here && code === 'connector-resistive';
				return hot ? figure(24, 7.5, 100) : figure(0, 1.5, 100);
			}
			if (quantity !== 'joint-resistance') return null;
			if (here && code === 'connector-open') return OPEN_OHMS;
			return here && code === 'connector-resistive'
				? { value: Math.log10(Math.max(size, 0.1)), sigma: 0.25, scale: 6 }
				: { value: Math.log10(0.05), sigma: 0.2, scale: 6 };
		}
		case 'fuse': {
			if (quantity === 'fuse-resistance') {
				// A reversed string beside others has often blown its fuse, and often has not.
				if (code === 'connector-reversed') return null;
				const pole = place.pole === 'positive' ? 0 : 1;
				return code === 'fuse-blown' && suspect?.at === pole ? OPEN_OHMS : CLOSED_OHMS;
			}
			const { fuseRating } = here;
			if (quantity !== 'fuse-rating' || fuseRating === null) return null;
			return code === 'fuse-wrong-rating'
				? figure(1.5 * fuseRating, 0.6 * fuseRating, 4 * fuseRating)
				: figure(fuseRating, 0.02 * fuseRating, 4 * fuseRating);
		}
		case 'module':
			return foretellAtModule({ place, quantity, state }, suspect, here);
		case 'string':
			switch (quantity) {
				case 'module-count': {
					const more = code === 'module-missing' ? -size : code === 'module-extra' ? size : 0;
					return figure(n + more, 0.2, 2 * n);
				}
				case 'shade-seen':
					return figure(code === 'shade' ? 1 : 0, 0.2, 1);
				case 'cleaning-gain':
					return code === 'soiling'
						? figure((100 * size) / (1 - size), 1.5 + 12 * size, 100)
						: figure(0, 1.5, 100);
				case 'label-power': {
					const ratio = code === 'record-wrong' ? size * (suspect?.severity.second ?? 1) : 1;
					const spread = code === 'record-wrong' ? 0.04 : 0.003;
					return figure(type.plate.pmax * ratio, type.plate.pmax * spread, type.plate.pmax);
				}
				case 'blocking-diode-forward':
					if (code === 'blocking-diode-open') return figure(OVER_RANGE, 0.4, 10);
					return code === 'blocking-diode-shorted'
						? figure(0.02, 0.04, 10)
						: figure(0.55, 0.15, 10);
				case 'blocking-diode-reverse':
					return code === 'blocking-diode-shorted'
						? figure(0.02, 0.04, 10)
						: figure(OVER_RANGE, 0.4, 10);
				case 'volts-after-shutdown': {
					const off = here.deviceVolts * n;
					const stuck = code === 'rsd-device-stuck-on';
					return figure(off + (stuck ? v : 0), 0.3 * off + 0.1 * v * Number(stuck) + 0.3, v * n);
				}
				case 'insulation-resistance':
					return code === 'earth-fault' ? figure(-1.8, 1, 4) : figure(1.7, 0.8, 4);
				default:
					return null;
			}
		default:
			return null;
	}

	function foretellAtModule(
		reading: Pick<Reading, 'place' | 'quantity' | 'state'> & {
			readonly place: { readonly module: number; readonly section: number | null };
		},
		suspect: Suspect | null,
		here: Here
	): Foretold | null {
		const module = reading.place.module - 1;
		const section = (reading.place.section ?? 1) - 1;
		const inSection = suspect && sectionOf(suspect, here);
		const hit =
			inSection !== null && inSection[0] === module && spansSection(inSection[1], size, section);
		const onModule = suspect?.fault.spread === 'module' && suspect.at === module;
		const sectionVolts = v / type.plate.sections;
		switch (reading.quantity) {
			case 'open-circuit-voltage': {
				if (string.devices !== null && heldDown(suspect, module, here))
					return figure(v, 0.015 * v, 1.3 * v);
				const share = moduleShare(suspect, module, here) ?? 0;
				return figure(share * v, 0.015 * v, 1.3 * v);
			}
			case 'device-output': {
				const held = heldDown(suspect, module, here);
				const share = moduleShare(suspect, module, here) ?? 0;
				return figure(held ? here.deviceVolts : share * v, 0.02 * v, 1.3 * v);
			}
			case 'short-circuit-current': {
				const aged = onModule && code === 'module-degraded';
				const dirty = code === 'soiling';
				const lost = aged || dirty ? size : 0;
				return figure(moduleAmps * (1 - lost), 0.025 * moduleAmps, 1.3 * moduleAmps);
			}
			case 'section-voltage': {
				const running = reading.state !== null && isRunning(reading.state);
				if (hit && code === 'section-open' && running) return figure(-0.5, 0.15, sectionVolts);
				if (hit && code === 'bypass-diode-shorted') return figure(0, 0.08, sectionVolts);
				if (hit && code === 'section-open') return figure(0, 0.08, sectionVolts);
				const share = running ? 0.82 : 1;
				return figure(share * sectionVolts, (running ? 0.08 : 0.03) * sectionVolts, sectionVolts);
			}
			case 'diode-forward':
				if (hit && code === 'bypass-diode-shorted') return figure(0.02, 0.03, 10);
				return hit && code === 'bypass-diode-open'
					? figure(OVER_RANGE, 0.4, 10)
					: figure(0.42, 0.12, 10);
			case 'diode-reverse':
				return hit && code === 'bypass-diode-shorted'
					? figure(0.02, 0.03, 10)
					: figure(OVER_RANGE, 0.5, 10);
			case 'cover-current': {
				const amps = here.running;
				return hit && code === 'bypass-diode-open'
					? figure(0.08 * amps, 0.08 * amps, 1.3 * amps)
					: figure(0.98 * amps, 0.04 * amps, 1.3 * amps);
			}
			case 'label-power': {
				const ratio =
					onModule && code === 'module-wrong-type' ? size * (suspect?.severity.second ?? 1) : 1;
				const spread = onModule && code === 'module-wrong-type' ? 0.04 : 0.003;
				return figure(type.plate.pmax * ratio, type.plate.pmax * spread, type.plate.pmax);
			}
			default:
				return null;
		}
	}
}

/** Faults of several sections start at one and go on with the next, round the module. */
function spansSection(first: number, size: number, section: number): boolean {
	return section >= first && section < first + Math.max(1, size);
}
