import { isRunning, type Reading } from '../visit';
import type { Predicted } from './evidence';
import type { ConditionsAtString } from './here';
import { heldDown, moduleShare } from './module-share';
import { figure, OVER_RANGE } from './part-figures';
import type { Suspect } from './suspect';

/** Section of a suspect that sits in one, as [module, section] from 0; null otherwise. */
function substringOf(
	{ fault, at }: Suspect,
	{ type }: ConditionsAtString
): readonly [number, number] | null {
	if (fault.spread !== 'section') return null;
	return [Math.floor(at / type.plate.sections), at % type.plate.sections];
}

/** What a reading at one module, or at one of its sections, would show; see `predictAt`. */
export function predictAtModule(
	reading: Pick<Reading, 'place' | 'quantity' | 'state'> & {
		readonly place: { readonly module: number; readonly section: number | null };
	},
	suspect: Suspect | null,
	here: ConditionsAtString
): Predicted | null {
	const { moduleVoltage: v, moduleCurrent, type, string } = here;
	const code = suspect?.fault.code ?? null;
	const size = suspect?.severity.size ?? 0;
	const module = reading.place.module - 1;
	const substring = (reading.place.section ?? 1) - 1;
	const inSubstring = suspect && substringOf(suspect, here);
	const hit =
		inSubstring !== null &&
		inSubstring[0] === module &&
		spansSubstring(inSubstring[1], size, substring, type.plate.sections);
	const onModule = suspect?.fault.spread === 'module' && suspect.at === module;
	const substringVoltage = v / type.plate.sections;
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
			return figure(held ? here.deviceVoltage : share * v, 0.02 * v, 1.3 * v);
		}
		case 'short-circuit-current': {
			const aged = onModule && code === 'module-degraded';
			const dirty = code === 'soiling';
			const lost = aged || dirty ? size : 0;
			return figure(moduleCurrent * (1 - lost), 0.025 * moduleCurrent, 1.3 * moduleCurrent);
		}
		case 'section-voltage': {
			const running = reading.state !== null && isRunning(reading.state);
			if (hit && code === 'section-open' && running) return figure(-0.5, 0.15, substringVoltage);
			if (hit && code === 'bypass-diode-shorted') return figure(0, 0.08, substringVoltage);
			if (hit && code === 'section-open') return figure(0, 0.08, substringVoltage);
			const share = running ? 0.82 : 1;
			return figure(
				share * substringVoltage,
				(running ? 0.08 : 0.03) * substringVoltage,
				substringVoltage
			);
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
			const current = here.running;
			return hit && code === 'bypass-diode-open'
				? figure(0.08 * current, 0.08 * current, 1.3 * current)
				: figure(0.98 * current, 0.04 * current, 1.3 * current);
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

/** Faults of several sections start at one and go on with the next, round the module. */
function spansSubstring(first: number, size: number, substring: number, of: number): boolean {
	return (substring - first + of) % of < Math.max(1, size);
}
