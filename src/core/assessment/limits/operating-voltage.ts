import type { ModelJudgement } from '../judge-by-model';
import { BusSource, operate } from '../../circuit';
import { groupOfString, modulesAtShift, stringAtConditions, USUAL_PARTS } from '../../expectation';
import type { Reading } from '../../visit';
import { type ArrayRecord, endOfString } from '../../record';
import { judged, type Judged } from './limit-verdict';

/** Share by which a tracker may sit beside its maximum: flat tops, its own search, the model; judgement. */
const DEVIATION = { marginal: 0.04, fail: 0.09 } as const;

/**
 * Running volts of an input against the maximum of its strings' common curve inside the tracker's
 * window. Optimisers hold a voltage of their own, so there is nothing to compare with.
 */
export function judgeOperatingVoltage(
	record: ArrayRecord,
	{ peerGroups }: Pick<ModelJudgement, 'peerGroups'>,
	{ place, value }: Reading
): Judged {
	const string = record.strings.find(({ id }) => place.kind === 'string' && id === place.string);
	if (!string) return judged('not-assessed', '');
	if (
		string.devices !== null &&
		string.devices !== 'unknown' &&
		string.devices.kind !== 'rapid-shutdown'
	) {
		return judged(
			'not-assessed',
			'Electronics behind the modules set this voltage: compare the modules’ own data.'
		);
	}
	const end = endOfString(record, string);
	if (end?.kind === 'charge-controller' && end.specs.method === 'PWM') {
		return judged('not-assessed', 'A PWM controller operates at its battery’s voltage.');
	}
	const strings = record.strings
		.filter((other) => other === string || (string.input !== null && other.input === string.input))
		.flatMap((other) => {
			const group = groupOfString(peerGroups, other);
			return group
				? [stringAtConditions(other, group.model, modulesAtShift(group, group.estimates[0].shift))]
				: [];
		});
	if (strings.length === 0) {
		return judged('not-assessed', 'Irradiance and cell temperature are not entered yet.');
	}
	const [least, most] =
		end?.kind === 'inverter' ? [end.specs.windowLow, end.specs.windowHigh] : [null, null];
	const { volts: voltage } = operate(new BusSource({ ...USUAL_PARTS, strings }), {
		kind: 'tracker',
		window: { least: least ?? 0, most },
		ampsAtMost: null,
		wattsAtMost: null
	});
	const limit = `${voltage.toFixed(0)} V, the maximum of its strings, within ${100 * DEVIATION.marginal} %`;
	const deviation = Math.abs(value - voltage) / voltage;
	const source = 'the circuit’s maximum inside the tracker’s window; the shares are judgement';
	if (deviation <= DEVIATION.marginal) return judged('pass', 'At the maximum.', limit, source);
	const words =
		value > voltage
			? 'Above the maximum power point: clipping, a grid limit, derating, or a tracker that has stopped.'
			: 'Below the maximum: a shaded or lost part, resistance on an input of one string, or a tracker that stands still.';
	return judged(deviation <= DEVIATION.fail ? 'marginal' : 'fail', words, limit, source);
}
