import { cairnRiggVisit } from '../../demo/cairn-rigg';
import { hollinCreekVisit } from '../../demo/hollin-creek';
import { kilnLaneVisit } from '../../demo/kiln-lane';
import { saltmarshVisit } from '../../demo/saltmarsh';
import { readVisitDocument, type VisitDocument } from '$core/document';

/* The demo's four sites, for tests that want an array of each kind. */

function read(text: string): VisitDocument {
	const document = readVisitDocument(text);
	if (!document.ok) throw new Error(`${document.problem.what} at ${document.problem.where}`);
	return document.value;
}

export const SALTMARSH = read(saltmarshVisit());
export const HOLLIN_CREEK = read(hollinCreekVisit());
export const CAIRN_RIGG = read(cairnRiggVisit());
export const KILN_LANE = read(kilnLaneVisit());
export const ALL_SITES = [SALTMARSH, HOLLIN_CREEK, CAIRN_RIGG, KILN_LANE];
