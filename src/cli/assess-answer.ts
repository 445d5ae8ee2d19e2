import { expectedAt, type PlaceResult, readingAt, reasonAt, verdictAt } from '$core/assessment';
import type { Assessment } from '$core/diagnosis';

/** The assessment with the keys of the first release, which stay. */
export function assessAnswer({
	thresholds: { above, ...below },
	places,
	...assessment
}: Assessment) {
	const named = ({ marginal, fail }: { marginal: number; fail: number }) => ({
		look: marginal,
		off: fail
	});
	return {
		places: places.map(placeAnswer),
		...assessment,
		thresholds: { ...named(below), above: named(above) }
	};
}

/** A place with every key, null where it says nothing. */
function placeAnswer(place: PlaceResult) {
	const { key, stringId, quantity } = place;
	const expected = expectedAt(place);
	const judged = place.state === 'judged' ? place : null;
	return {
		key,
		stringId,
		quantity,
		reading: readingAt(place),
		expected: expected && withoutModuleVoltage(expected),
		verdict: verdictAt(place),
		missing: reasonAt(place),
		distance: judged?.distance ?? null,
		difference: judged?.difference ?? null,
		relative: judged?.relative ?? null,
		counted: judged?.counted ?? null,
		moduleVolts: expected?.moduleVoltage ?? null,
		tracked: judged?.tracked ?? null
	};
}

function withoutModuleVoltage({
	moduleVoltage: _,
	...expected
}: NonNullable<ReturnType<typeof expectedAt>>) {
	return expected;
}
