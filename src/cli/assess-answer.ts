import {
	type CountedDifference,
	expectedAt,
	type PlaceResult,
	readingAt,
	reasonAt,
	verdictAt
} from '$core/assessment';
import type { Assessment, ProposedTest } from '$core/diagnosis';
import { ISOLATE_FIRST } from '$core/isolation';
import { speak } from '$lib/messages/text';

const inEnglish = speak('en-GB');

/** The assessment with the keys of the first release, which stay. */
export function assessAnswer({
	thresholds: { above, ...below },
	places,
	groups,
	next,
	...assessment
}: Assessment) {
	const named = ({ marginal, fail }: { marginal: number; fail: number }) => ({
		look: marginal,
		off: fail
	});
	return {
		places: places.map(placeAnswer),
		groups: groups.map(({ irradiance, cellTemperature, ...group }) => ({
			...group,
			light: irradiance,
			heat: cellTemperature
		})),
		...assessment,
		next: next.map(testAnswer),
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
		expected: expected && expectedAnswer(expected),
		verdict: verdictAt(place),
		missing: reasonAt(place),
		distance: judged?.distance ?? null,
		difference: judged?.difference ?? null,
		relative: judged?.relative ?? null,
		counted: countedAnswer(judged?.counted ?? null),
		moduleVolts: expected?.moduleVoltage ?? null,
		tracked: judged?.tracked ?? null
	};
}

function testAnswer({ isolateFirst, cautions, ...test }: ProposedTest) {
	return {
		...test,
		makeSafeFirst: isolateFirst ? inEnglish(ISOLATE_FIRST) : null,
		cautions: cautions.map(({ text, source }) => ({
			words: inEnglish(text),
			source: inEnglish(source)
		}))
	};
}

function expectedAnswer({
	moduleVoltage: _,
	peers,
	...expected
}: NonNullable<ReturnType<typeof expectedAt>>) {
	return { ...expected, siblings: peers };
}

function countedAnswer(counted: CountedDifference | null) {
	if (counted === null) return null;
	const { substrings, ...rest } = counted;
	return { ...rest, sections: substrings };
}
