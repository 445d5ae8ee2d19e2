import type { FormOptions, SuperForm, SuperValidated } from 'sveltekit-superforms';
import { superForm } from 'sveltekit-superforms/client';

/** What a form says when the server did not answer, or answered with a fault of its own. */
const NOT_ANSWERED =
	'The server did not answer. Nothing was stored; what you typed stays here. Try again.';

type Values = Record<string, unknown>;

/** A form that keeps what was typed whatever the answer is, and says so when there is none. */
export function keptForm<Fields extends Values, Sent extends Values = Fields>(
	form: SuperValidated<Fields, string, Sent> | Fields,
	options: FormOptions<Fields, string, Sent> = {}
): SuperForm<Fields, string> {
	const kept: SuperForm<Fields, string> = superForm<Fields, string, Sent>(form, {
		resetForm: false,
		onError: () => kept.message.set(NOT_ANSWERED),
		...options
	});
	return kept;
}
