import {
	asNameplate,
	asTested,
	DANGEROUS_LOOKS,
	evaluateBatch,
	type Grade,
	type ModuleBatch,
	type TestedModule
} from '$core/bench';

/** A module of the batch that can be put somewhere, with what speaks against it. */
export interface Pooled {
	readonly module: TestedModule;
	/** As it was when its label was true. */
	readonly fresh: TestedModule;
	readonly grade: Grade;
	readonly dangerous: boolean;
	/** What its figures rest on. */
	readonly from: 'test' | 'estimate' | 'nameplate';
	/** Make of its connectors; null where nobody looked. */
	readonly connector: string | null;
	readonly size: { readonly length: number; readonly width: number } | null;
}

/** The modules of a batch that produce anything: as tested, or by their nameplate where nobody tested them. */
export function poolOf(batch: ModuleBatch, year: number): Pooled[] {
	return evaluateBatch(batch, year).flatMap((result): Pooled[] => {
		const tested = asTested(result);
		const module = tested ?? asNameplate(result);
		if (!module) return [];
		return [
			{
				module,
				fresh: { ...module, plate: result.nameplate! },
				grade: result.graded.grade,
				dangerous: result.module.looks.some((look) => DANGEROUS_LOOKS.includes(look)),
				from: !tested ? 'nameplate' : result.estimate === null ? 'test' : 'estimate',
				connector: result.module.connector || null,
				size: result.module.size
			}
		];
	});
}
