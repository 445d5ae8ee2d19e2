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
		...each('ac-disconnect', 'Switch OFF and lock'),
		...(partsOf(parts, 'ac-disconnect').length === 0 ? each('breaker', 'Switch OFF and lock') : [])
	];
	const dc = each('dc-disconnect', 'Switch OFF and lock');
	switch (record.system) {
		case 'off-grid':
			return [
				{ words: 'Switch loads OFF', part: null },
				...dc,
				...each('battery', 'Open the breaker; the terminals stay live')
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
			? `Switch the initiator OFF: ${part.specs.initiator}`
			: 'Switch the initiator OFF (location not recorded)',
		part
	}));
}
