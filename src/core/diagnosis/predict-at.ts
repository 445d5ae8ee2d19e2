import type { Reading } from '../visit';
import type { Predicted } from './evidence';
import { predictAtModule } from './predict-at-module';
import type { ConditionsAtString } from './here';
import { heldDown, moduleShare } from './module-share';
import { CLOSED_RESISTANCE, figure, OPEN_RESISTANCE, OVER_RANGE } from './part-figures';
import type { Suspect } from './suspect';

/**
 * Open-circuit volts of the modules between two joints, parted there and read between their own leads;
 * the home runs belong to the outermost stretches.
 */
function segmentVoltage(
	suspect: Suspect | null,
	from: number,
	to: number,
	here: ConditionsAtString
): number {
	const n = here.string.moduleCount;
	if (suspect?.fault.code === 'connector-open') {
		const { at } = suspect;
		const inside = (at > from && at < to) || (at === from && from === 0) || (at === to && to === n);
		if (inside) return 0;
	}
	let share = 0;
	for (let module = from; module < to; module++) {
		if (heldDown(suspect, module, here)) {
			share += here.deviceVoltage / here.moduleVoltage;
			continue;
		}
		const own = moduleShare(suspect, module, here);
		if (own === null) return 0;
		share += own;
	}
	return share * here.moduleVoltage;
}

/** Lowest step of the curve of a stretch, % of its short-circuit current: its weakest module's, if it has one. */
function lowestStep(suspect: Suspect | null, from: number, to: number): Predicted {
	const weak = suspect?.fault.code === 'module-degraded' && suspect.at >= from && suspect.at < to;
	return figure(weak ? 100 * (1 - suspect.severity.size) : 100, 2.5, 100);
}

/**
 * What a reading at one place of a string would show if the suspect sat where it does, or if the
 * string were whole. The figures of parts are common practice, their scatter judgement.
 *
 * @returns null where nothing can be predicted, so that the reading tells nothing
 */
export function predictAt(
	{ place, quantity, state }: Pick<Reading, 'place' | 'quantity' | 'state'>,
	suspect: Suspect | null,
	here: ConditionsAtString
): Predicted | null {
	const code = suspect?.fault.code ?? null;
	const size = suspect?.severity.size ?? 0;
	const { moduleVoltage: v, type, string } = here;
	const n = string.moduleCount;
	switch (place.kind) {
		case 'stretch': {
			if (quantity === 'stretch-step') return lowestStep(suspect, place.from, place.to);
			if (quantity !== 'stretch-voltage') return null;
			const span = place.to - place.from;
			const value = segmentVoltage(suspect, place.from, place.to, here);
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
			if (here && code === 'connector-open') return OPEN_RESISTANCE;
			return here && code === 'connector-resistive'
				? { value: Math.log10(Math.max(size, 0.1)), sigma: 0.25, scale: 6 }
				: { value: Math.log10(0.05), sigma: 0.2, scale: 6 };
		}
		case 'fuse': {
			if (quantity === 'fuse-resistance') {
				// A reversed string beside others has often blown its fuse, and often has not.
				if (code === 'connector-reversed') return null;
				const pole = place.pole === 'positive' ? 0 : 1;
				return code === 'fuse-blown' && suspect?.at === pole ? OPEN_RESISTANCE : CLOSED_RESISTANCE;
			}
			const { fuseRating } = here;
			if (quantity !== 'fuse-rating' || fuseRating === null) return null;
			return code === 'fuse-wrong-rating'
				? figure(1.5 * fuseRating, 0.6 * fuseRating, 4 * fuseRating)
				: figure(fuseRating, 0.02 * fuseRating, 4 * fuseRating);
		}
		case 'module':
			return predictAtModule({ place, quantity, state }, suspect, here);
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
					const off = here.deviceVoltage * n;
					const stuck = code === 'rsd-device-stuck-on';
					return figure(off + (stuck ? v : 0), 0.3 * off + 0.1 * v * Number(stuck) + 0.3, v * n);
				}
				case 'positive-to-earth':
				case 'negative-to-earth': {
					// For choosing tests alone: what was read is weighed both poles together, by `earthDensities`.
					const share = quantity === 'positive-to-earth' ? 1 : -1;
					if (code !== 'earth-fault') return figure(0.04 * share * v * n, 0.02 * v * n, v * n);
					const up = (suspect?.at ?? 0) / n;
					return figure((share > 0 ? 1 - up : -up) * v * n, 0.015 * v * n, v * n);
				}
				case 'insulation-resistance':
					return code === 'earth-fault' ? figure(-1.8, 1, 4) : figure(1.7, 0.8, 4);
				default:
					return null;
			}
		default:
			return null;
	}
}
