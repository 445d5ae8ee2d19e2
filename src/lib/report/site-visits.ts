import { FORMAT, type SiteDocument, VERSION, type VisitDocument } from '$core/document';

/** Each visit of a site with the record that it saw, oldest first. */
export function visitsOfSite({ site, revisions, visits }: SiteDocument): VisitDocument[] {
	const byId = new Map(revisions.map((revision) => [revision.id, revision]));
	return visits.flatMap(({ revision: id, visit, inspection, photographs }) => {
		const found = byId.get(id);
		if (!found) return [];
		const { record, ...revision } = found;
		return [
			{
				format: FORMAT,
				version: VERSION,
				site,
				revision,
				record: record as VisitDocument['record'],
				visit,
				inspection,
				photographs
			}
		];
	});
}
