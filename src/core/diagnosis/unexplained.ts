import type { StringQuantity } from '../visit';
import type { Cause } from './cause';
import type { Traced } from './trace-groups';
import { predictUnder, spreadOf } from './string-table';

/** A reading that nothing found accounts for. */
export interface Unexplained {
	readonly readingId: string;
	readonly stringId: string;
	readonly quantity: StringQuantity;
	/** V or A */
	readonly measured: number;
	/** What the most probable causes together give, V or A. */
	readonly predicted: number;
	/** Of the difference, V or A. */
	readonly standardUncertainty: number;
}

/** A reading this far from what is found, in standard uncertainties, is not explained by it. */
const UNEXPLAINED = 4;
/** A reading that is likelier wrong than this has its own line. */
const KNOWN_WRONG = 0.5;
/** A cause that leaves a reading of its strings unexplained is never said to be surer than this. */
const AT_MOST = 0.88;

/** Every reading that the most probable state of its string, or of what it shares, does not give. */
export function unexplainedReadings(traced: readonly Traced[]): Unexplained[] {
	return traced.flatMap(({ posterior, scopes }) => {
		const { group, best, strings } = posterior;
		const [likeliest] = scopes
			.map((scope, i) => ({ scope, chance: posterior.scopes[i]! }))
			.sort((a, b) => b.chance - a.chance);
		const predictReading =
			likeliest && likeliest.chance > 0.5 ? likeliest.scope.predictReading(group, best) : null;
		return strings.flatMap((string, s): Unexplained[] => {
			const held = predictReading !== null && likeliest!.scope.strings.includes(s);
			const top = string.classes.reduce((a, b) => (b.probability > a.probability ? b : a));
			return string.case.readings.flatMap(({ item, atVoltage, voltageUncertainty }) => {
				const { id, quantity } = item.reading;
				if ((string.wrongReading.get(id) ?? 0) > KNOWN_WRONG) return [];
				const shared = held ? predictReading!(s, item, atVoltage, 0, 0) : null;
				const under = shared
					? null
					: predictUnder(top.of, group, string.case.string, quantity, atVoltage, best);
				const value = shared ? shared.value : (under?.value ?? null);
				if (value === null) return [];
				const sigma = shared
					? shared.sigma
					: Math.hypot(
							spreadOf(group, string.case.string, quantity, atVoltage, under!),
							under!.perVolt * voltageUncertainty
						);
				return Math.abs(item.measured - value) <= UNEXPLAINED * sigma
					? []
					: [
							{
								readingId: id,
								stringId: string.case.string.id,
								quantity,
								measured: item.measured,
								predicted: value,
								standardUncertainty: sigma
							}
						];
			});
		});
	});
}

/** Lines no surer than the readings of their strings that they leave unexplained allow. */
export function heldShort(
	causes: readonly Cause[],
	unexplained: readonly Unexplained[],
	stringsOf: (cause: Cause) => readonly string[]
): Cause[] {
	return causes.map((cause) => {
		const { code } = cause.members[0];
		if (code === 'healthy' || code === 'reading-wrong' || cause.probability <= AT_MOST)
			return cause;
		const covered = stringsOf(cause);
		if (!unexplained.some(({ stringId }) => covered.includes(stringId))) return cause;
		const share = AT_MOST / cause.probability;
		const [first, ...others] = cause.members.map((member) => ({
			...member,
			probability: member.probability * share
		}));
		return { ...cause, probability: AT_MOST, members: [first!, ...others] };
	});
}
