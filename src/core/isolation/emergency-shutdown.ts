import { type ArrayRecord, type Part, partsOf } from '../record';

/** One step of switching the array off, by the name of its device. */
export interface ShutdownStep {
	readonly words: string;
	readonly part: Part | null;
}

/**
 * The order in which an array of this kind is switched off in an emergency, with the devices of this
 * record; common practice. It proves nothing dead: modules and their leads stay live in daylight.
 */
export function emergencyOrder(record: ArrayRecord): ShutdownStep[] {
	const { parts } = record;
	const each = (kind: Part['kind'], words: string): ShutdownStep[] => {
		const found = parts.filter((part) => part.kind === kind);
		return found.length > 0 ? found.map((part) => ({ words, part })) : [];
	};
	const ac: ShutdownStep[] = [
		...each('ac-disconnect', 'Switch off, lock'),
		...(partsOf(parts, 'ac-disconnect').length === 0 ? each('breaker', 'Switch off, lock') : [])
	];
	const dc = each('dc-disconnect', 'Switch off, lock');
	switch (record.system) {
		case 'off-grid':
			return [
				{ words: 'Loads off', part: null },
				...dc,
				...each('battery', 'Open its breaker; its terminals stay live')
			];
		case 'micro-inverters':
			return ac;
		case 'rapid-shutdown':
			return [...initiators(record), ...ac, ...dc];
		default:
			return [...ac, ...dc];
	}
}

function initiators(record: ArrayRecord): ShutdownStep[] {
	return partsOf(record.parts, 'transmitter').map((part) => ({
		words: part.specs.initiator
			? `Initiator off: ${part.specs.initiator}`
			: 'Initiator off (where it is, is not recorded)',
		part
	}));
}
