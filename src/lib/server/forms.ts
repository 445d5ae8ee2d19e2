/** The parts of the form library in use; its main entry would pull every validator's adapter. */
export { setError, superValidate } from 'sveltekit-superforms/server';
export { zod as zod4 } from '$superforms-zod4';
