import { type ArrayRecord, type Part, partsOf } from '../record';
import { type IsolationMessage, say } from './messages';

/** One step of switching the array off, by the name of its device. */
export interface ShutdownStep {
	readonly instruction: IsolationMessage;
	readonly part: Part | null;
}

/**
 * The order in which an array of this kind is switched off in an emergency, with the devices of this
 * record; common practice. It proves nothing dead: modules and their leads stay live in daylight.
 */
export function emergencyOrder(record: ArrayRecord): ShutdownStep[] {
	const { parts } = record;
	const each = (kind: Part['kind'], instruction: IsolationMessage): ShutdownStep[] => {
		const found = parts.filter((part) => part.kind === kind);
		return found.length > 0 ? found.map((part) => ({ instruction, part })) : [];
	};
	const lockOff = say('isolation.emergency.lock-off');
	const ac: ShutdownStep[] = [
		...each('ac-disconnect', lockOff),
		...(partsOf(parts, 'ac-disconnect').length === 0 ? each('breaker', lockOff) : [])
	];
	const dc = each('dc-disconnect', lockOff);
	switch (record.system) {
		case 'off-grid':
			return [
				{ instruction: say('isolation.off.loads'), part: null },
				...dc,
				...each('battery', say('isolation.emergency.battery'))
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
		instruction: part.specs.initiator
			? say('isolation.off.initiator-at', { initiator: part.specs.initiator })
			: say('isolation.emergency.initiator-not-recorded'),
		part
	}));
}
