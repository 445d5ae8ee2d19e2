<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { z } from 'zod';
	import { goto, invalidateAll } from '$app/navigation';
	import { resolve } from '$app/paths';
	import {
		type FieldErrors,
		type LabelForm,
		labelFormSchema,
		type LibraryEntry,
		libraryFields,
		type LibraryKind,
		libraryKindWords,
		moduleTypeOfForm,
		readSpecs,
		typedSpecs
	} from '$core/document';
	import { checkLabel } from '$core/module';
	import Field from '$lib/ui/Field.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import NameplateView from '$lib/ui/NameplateView.svelte';
	import { sendJson } from '$lib/session/send-json';
	import SpecFields from '$lib/ui/SpecFields.svelte';
	import { useSpeak } from '$lib/messages/speak-context';
	import { PART_NAMES } from '$core/record';

	const speak = useSpeak();
	const kindWords = (kind: LibraryKind) =>
		libraryKindWords(kind, (part) => speak(PART_NAMES[part]));

	let { data } = $props();
	// svelte-ignore state_referenced_locally
	const { kind, entry } = data;
	const fields = kind === 'module' ? {} : libraryFields(kind);
	// The label's form lives on this page alone; nothing of it is posted as a form.
	// svelte-ignore state_referenced_locally
	const { form } = keptForm(data.form, { SPA: true });
	let labelErrors = $state.raw<Partial<Record<keyof LabelForm, string[]>>>({});
	let name = $state(entry?.name ?? '');
	let specs = $state<Record<string, string>>({
		...typedSpecs(fields, entry && entry.kind !== 'module' ? entry.specs : {})
	});
	let errors = $state.raw<FieldErrors>({});
	let problem = $state('');

	function read(): LibraryEntry | null {
		const id = entry?.id ?? uuid();
		if (kind === 'module') {
			const parsed = labelFormSchema.safeParse($form);
			labelErrors = parsed.success ? {} : z.flattenError(parsed.error).fieldErrors;
			if (!parsed.success) return null;
			const type = moduleTypeOfForm(id, parsed.data);
			return checkLabel(type.plate).some(({ severity }) => severity === 'error')
				? null
				: { kind, ...type };
		}
		const values = readSpecs(fields, specs);
		const missing = name.trim() === '' ? { name: 'Give it a name, as on its label.' } : {};
		errors = values.ok ? missing : { ...values.problem, ...missing };
		if (!values.ok || name.trim() === '') return null;
		return { kind, id, name: name.trim(), specs: values.value } as LibraryEntry;
	}

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const value = read();
		if (!value) return void (problem = 'Something is not right yet: see beside the fields.');
		await send({ put: [value] });
	}
	async function send(body: object): Promise<void> {
		const versions = entry ? { [entry.id]: entry.version } : {};
		const answer = await sendJson('/library/entries', { ...body, versions });
		if (!answer.ok) return void (problem = answer.words);
		await goto(resolve('/library'));
		await invalidateAll();
	}
</script>

<svelte:head><title>{entry?.name ?? 'New type'} · Library · Zembo</title></svelte:head>

<div class="page">
	<p><a href={resolve('/library')}>Library</a></p>
	<h1>{kindWords(kind)}</h1>
	{#if entry && !entry.own}
		<p class="soft">A generic type. Stored, it becomes your own.</p>
	{/if}
	<form onsubmit={store} novalidate>
		{#if kind === 'module'}
			<NameplateView {form} errors={labelErrors} />
		{:else}
			<div class="panel fields">
				<Field
					label="Name, as on its label"
					name="name"
					bind:value={name}
					errors={errors.name === undefined ? [] : [errors.name]}
				/>
				<SpecFields {fields} bind:typed={specs} {errors} />
			</div>
		{/if}
		{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
		<p class="acts">
			<button class="act">Store the type</button>
			{#if entry?.own}
				<button type="button" class="act-plain" onclick={() => void send({ remove: [entry.id] })}
					>Take it out of the library</button
				>
			{/if}
		</p>
	</form>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	form {
		display: grid;
		gap: 1rem;
		margin-top: 0.8rem;
	}

	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
		gap: 0.9rem 1.4rem;
		padding: 1.2rem 1.4rem;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
	}
</style>
