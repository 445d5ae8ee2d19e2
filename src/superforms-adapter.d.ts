/** The form library's adapter for Zod, imported by its file (see src/lib/server/forms.ts). */
declare module '$superforms-zod4' {
	export { zod4 as zod } from 'sveltekit-superforms/adapters';
}
