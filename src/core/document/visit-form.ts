import { z } from 'zod';
import { required } from './form-text';
import { purposeSchema, VISIT_TEXT } from './visit';

export const visitFormSchema = z.object({
	by: required(VISIT_TEXT.name, 'Who measures? Type your name.'),
	purpose: purposeSchema.default('routine'),
	reason: z.string().trim().max(VISIT_TEXT.reason)
});
