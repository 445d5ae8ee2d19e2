import { cairnRiggReadings, cairnRiggVisit } from './cairn-rigg';
import { hollinCreekReadings, hollinCreekVisit } from './hollin-creek';
import { kilnLaneReadings, kilnLaneVisit } from './kiln-lane';
import { saltmarshVisit } from './saltmarsh';

/** The demo's visits by the files they stand in. */
export const VISITS: Readonly<Record<string, () => string>> = {
	'saltmarsh-2026-11-17.zembo-visit.json': saltmarshVisit,
	'hollin-creek-2026-09-22.zembo-visit.json': hollinCreekVisit,
	'hollin-creek-2026-10-13.zembo-visit.json': () => hollinCreekReadings('low'),
	'hollin-creek-2026-10-27.zembo-visit.json': () => hollinCreekReadings('weak'),
	'hollin-creek-2026-11-10.zembo-visit.json': () => hollinCreekReadings('dark'),
	'hollin-creek-2026-11-20.zembo-visit.json': () => hollinCreekReadings('earth'),
	'cairn-rigg-2026-10-06.zembo-visit.json': cairnRiggVisit,
	'cairn-rigg-2026-10-14.zembo-visit.json': cairnRiggReadings,
	'kiln-lane-2026-10-20.zembo-visit.json': kilnLaneVisit,
	'kiln-lane-2026-11-05.zembo-visit.json': kilnLaneReadings
};
