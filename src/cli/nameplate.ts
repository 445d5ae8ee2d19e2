import { z } from 'zod';
import { RECORD_LIMITS } from '$core/document';
import { TECHNOLOGIES } from '$core/module';

const positive = (limits: { readonly max: number }) => z.number().positive().max(limits.max);

/** What a label must give before it can be fitted. */
export const nameplateSchema = z
	.object({
		vmp: positive(RECORD_LIMITS.volts),
		imp: positive(RECORD_LIMITS.amps),
		voc: positive(RECORD_LIMITS.volts),
		isc: positive(RECORD_LIMITS.amps),
		alphaIscPctPerK: z.number().min(-1).max(1).nullish(),
		betaVocPctPerK: z.number().min(-2).max(-0.01).nullish(),
		cellsInSeries: z.int().min(1).max(RECORD_LIMITS.cells.max),
		technology: z.enum(TECHNOLOGIES).optional()
	})
	.refine((nameplate) => nameplate.vmp < nameplate.voc, {
		path: ['vmp'],
		message: 'Vmp must be below Voc.'
	})
	.refine((nameplate) => nameplate.imp < nameplate.isc, {
		path: ['imp'],
		message: 'Imp must be below Isc.'
	});
