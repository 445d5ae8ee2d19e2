import { error } from '@sveltejs/kit';

/*
 * The parts of the form library in use. Its main entry would pull every validator's adapter, so the
 * one in use is imported by its file.
 */
export { message, setError, superValidate } from 'sveltekit-superforms/server';
export { zod as zod4 } from '$superforms-zod4';

/** The fields of a form that somebody sent; a body that is none is refused in words. */
export async function formOf(request: Request): Promise<FormData> {
	try {
		return await request.formData();
	} catch {
		error(400, {
			message: 'The body is not a form that can be read.',
			mend: 'Send the form again from its page.'
		});
	}
}
