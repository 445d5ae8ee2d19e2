import { z } from 'zod';
import { figureOrEmpty } from './figure';
import { required } from './form-text';
import { RECORD_LIMITS } from './record-limits';
import { siteSchema } from './visit';

export const siteFormSchema = z.object({
	name: required(80, 'Give the site a name.'),
	place: siteSchema.shape.place,
	timeZone: siteSchema.shape.timeZone.default('Etc/UTC'),
	inServiceSince: figureOrEmpty(RECORD_LIMITS.year)
});
