<script lang="ts">
	import { enhance as plainEnhance } from '$app/forms';
	import type { ModuleType, StringRecord } from '$core/circuit/record';
	import type { StringsForm } from '$core/document/forms';
	import Field from './Field.svelte';
	import FormTrouble from './FormTrouble.svelte';
	import { keptForm } from './kept-form';
	import StringDrawing from './StringDrawing.svelte';
	import StringFields from './StringFields.svelte';

	interface Props {
		string: StringRecord;
		moduleTypes: readonly ModuleType[];
		revision: string;
	}
	let { string, moduleTypes, revision }: Props = $props();

	// svelte-ignore state_referenced_locally
	const start: StringsForm & { id: string } = {
		id: string.id,
		labels: string.label,
		moduleTypeId: string.moduleTypeId,
		moduleCount: String(string.moduleCount),
		cableResistance: String(string.cableResistance),
		fuse: string.fuse === null ? 'none' : string.fuse.rating === null ? 'unknown' : 'rated',
		fuseRating: String(string.fuse?.rating ?? ''),
		input: string.input ?? ''
	};
	let open = $state(false);
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, message } = keptForm(start, {
		id: string.id,
		onUpdated: ({ form: done }) => {
			if (done.valid) open = false;
		}
	});
	const type = $derived(moduleTypes.find((candidate) => candidate.id === string.moduleTypeId));
</script>

<details bind:open>
	<summary>
		<span class="name figure">{string.label}</span>
		<StringDrawing modules={string.moduleCount} fuse={string.fuse} room={200} />
		<span class="figure">{string.moduleCount} x {type?.name}</span>
		<span class="soft">
			{string.fuse ? `fuse ${string.fuse.rating ?? '?'} A` : 'no fuse'}, {string.cableResistance} ohm,
			{string.input ? `input ${string.input}` : 'input unknown'}
		</span>
		<span class="change">change</span>
	</summary>
	<form method="POST" action="?/change" use:enhance>
		<input type="hidden" name="revision" value={revision} />
		<input type="hidden" name="id" value={string.id} />
		<Field label="Mark" name="labels" bind:value={$form.labels} errors={$errors.labels} />
		<StringFields {form} errors={$errors} {moduleTypes} />
		<FormTrouble words={$message} />
		<p><button class="act">Store the change</button></p>
	</form>
	<form method="POST" action="?/remove" use:plainEnhance class="remove">
		<input type="hidden" name="revision" value={revision} />
		<input type="hidden" name="id" value={string.id} />
		<button class="act-plain">Take {string.label} out of the record</button>
		<span class="soft">Visits that saw it keep it.</span>
	</form>
</details>

<style>
	details {
		border-bottom: 1px solid var(--line);
	}

	summary {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 1rem;
		min-height: 48px;
		list-style: none;
	}

	summary::-webkit-details-marker {
		display: none;
	}

	.name {
		font-weight: 650;
		font-size: 1.1rem;
		min-width: 3ch;
	}

	.change {
		margin-inline-start: auto;
		color: var(--accent);
		text-decoration: underline;
		padding: 0 0.5rem;
	}

	form {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
		gap: 0.9rem 1.25rem;
		padding: 0.8rem 0 1rem;
	}

	form p {
		grid-column: 1 / -1;
	}

	.remove {
		display: flex;
		align-items: center;
		gap: 1rem;
		padding-top: 0;
	}
</style>
