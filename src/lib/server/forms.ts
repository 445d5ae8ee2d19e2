/*
 * The parts of the form library in use. Its main entry would pull every validator's adapter, so the
 * one in use is imported by its file.
 */
export { setError, superValidate } from 'sveltekit-superforms/server';
export { zod as zod4 } from '$superforms-zod4';
