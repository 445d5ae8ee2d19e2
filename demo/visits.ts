import { cairnRiggVisit } from './cairn-rigg';
import { hollinCreekVisit } from './hollin-creek';
import { kilnLaneVisit } from './kiln-lane';
import { saltmarshVisit } from './saltmarsh';

/** The demo's visits by the files they stand in. */
export const VISITS: Readonly<Record<string, () => string>> = {
	'saltmarsh-2026-11-17.zembo-visit.json': saltmarshVisit,
	'hollin-creek-2026-09-22.zembo-visit.json': hollinCreekVisit,
	'cairn-rigg-2026-10-06.zembo-visit.json': cairnRiggVisit,
	'kiln-lane-2026-10-20.zembo-visit.json': kilnLaneVisit
};
