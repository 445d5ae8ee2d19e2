<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { type FieldErrors, formOfPart, partOfForm, typedSpecs } from '$core/document';
	import {
		type ChangeStep,
		fieldsOf,
		type Part,
		PART_KINDS,
		PART_NAMES,
		removal,
		unknownSpecs
	} from '$core/record';
	import Choice from '$lib/ui/Choice.svelte';
	import CodeReader from '$lib/ui/CodeReader.svelte';
	import Field from '$lib/ui/Field.svelte';
	import PartSymbol from '$lib/ui/PartSymbol.svelte';
	import { useRecord } from '$lib/session/record-session.svelte';
	import SpecFields from '$lib/ui/SpecFields.svelte';
	import { useSpeak } from '$lib/messages/speak-context';
	import { inSentence } from '$core/units';

	const speak = useSpeak();

	let { data } = $props();
	const session = useRecord();
	const hub = $derived(resolve('/sites/[site]/array-record', { site: data.site.id }));
	const stored = $derived(session.record.parts.find(({ id }) => id === page.params.part));
	// svelte-ignore state_referenced_locally
	const kind = stored?.kind ?? data.kind;

	/** Marks count up within their kind: INV 1, INV 2. */
	function nextMark(): string {
		const alike = session.record.parts.filter((part) => part.kind === kind).length;
		return kind ? `${speak(PART_NAMES[kind])} ${alike + 1}` : '';
	}
	// svelte-ignore state_referenced_locally
	const start = stored
		? formOfPart(stored)
		: {
				mark: nextMark(),
				place: '',
				model: '',
				serial: '',
				to: '',
				specs: kind ? typedSpecs(fieldsOf(kind), unknownSpecs(kind)) : {}
			};
	let form = $state({ ...start, specs: { ...start.specs } });
	let errors = $state<FieldErrors>({});
	let fromLibrary = $state('');

	const others = $derived(session.record.parts.filter(({ id }) => id !== page.params.part));
	/** Types stand for what hangs behind the modules and lead nowhere. */
	const isType = $derived(kind !== null && PART_KINDS[kind].isType);

	function takeOver(): void {
		const entry = data.library.find(({ id }) => id === fromLibrary);
		if (!entry || entry.kind === 'module' || !kind) return;
		form.model = entry.name;
		form.specs = { ...typedSpecs(fieldsOf(kind), entry.specs) };
	}

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (!kind) return;
		const id = stored?.id ?? uuid();
		const read = partOfForm(id, kind, form);
		errors = read.ok ? {} : read.problem;
		if (!read.ok) return;
		const steps: ChangeStep[] = [{ op: 'put', list: 'parts', value: read.value }];
		if (session.record.absent.includes(kind)) {
			const value = session.record.absent.filter((other) => other !== kind);
			steps.push({ op: 'set', fact: 'absent', value });
		}
		steps.push(...firstLinks(read.value));
		const words = `${read.value.mark} ${stored ? 'changed' : 'added'}`;
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above
		if (await session.change(words, steps)) await goto(hub);
	}

	/** The first end of an array is where its strings go; the first device type is the one they have. */
	function firstLinks(part: Part): ChangeStep[] {
		if (stored) return [];
		const first = !session.record.parts.some((other) => other.kind === part.kind);
		if (!first) return [];
		const deviceKind = part.kind === 'rapid-shutdown-device' ? 'rapid-shutdown' : part.kind;
		return session.record.strings.flatMap((string): ChangeStep[] => {
			const { devices } = string;
			if (devices === null || devices === 'unknown') return [];
			if (devices.kind !== deviceKind || devices.part !== null) return [];
			const value = { ...string, devices: { ...devices, part: part.id } };
			return [{ op: 'put', list: 'strings', value }];
		});
	}

	async function remove(): Promise<void> {
		if (!stored) return;
		const steps = removal(session.record, 'parts', stored.id);
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above
		if (await session.change(`${stored.mark} taken out`, steps)) await goto(hub);
	}
</script>

<svelte:head><title>{form.mark || 'Part'} · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
	<p><a href={hub}>Array record</a></p>
	{#if kind}
		<h1><PartSymbol {kind} />{speak(PART_NAMES[kind])}</h1>
		<p class="soft">An empty field is unknown, and stands on the list to walk.</p>
		{#if data.library.length > 0}
			<div class="library">
				<Choice
					label="Take its figures from the library"
					name="library"
					bind:value={fromLibrary}
					onchange={takeOver}
					options={[
						{ value: '', words: 'Choose a type' },
						...data.library.map(({ id, name }) => ({ value: id, words: name }))
					]}
				/>
			</div>
		{/if}
		<form onsubmit={store} class="panel">
			<Field
				label="Mark, as it stands on it"
				name="mark"
				bind:value={form.mark}
				errors={errors.mark === undefined ? [] : [errors.mark]}
			/>
			{#if !isType}
				<Field
					label="Place"
					name="place"
					bind:value={form.place}
					help="Where a stranger finds it"
				/>
			{/if}
			<Field label="Model" name="model" bind:value={form.model} />
			{#if !isType}
				<div class="with-reader">
					<Field label="Serial" name="serial" bind:value={form.serial} />
					<CodeReader onread={(code) => (form.serial = code)} />
				</div>
				<Choice
					label="Its power goes to"
					name="to"
					bind:value={form.to}
					options={[
						{ value: '', words: 'Not known, or the end' },
						...others.map((part) => ({
							value: part.id,
							words: `${part.mark} (${inSentence(speak(PART_NAMES[part.kind]))})`
						}))
					]}
				/>
			{/if}
			<SpecFields fields={fieldsOf(kind)} bind:typed={form.specs} {errors} />
			<p class="acts">
				<button class="act">{stored ? 'Store the change' : 'Add to the record'}</button>
				{#if stored}
					<button type="button" class="act-plain" onclick={remove}
						>Take {stored.mark} out of the record</button
					>
				{/if}
			</p>
		</form>
	{:else}
		<p>This part is no longer in the record.</p>
	{/if}
</div>

<style>
	h1 {
		display: flex;
		align-items: center;
		gap: 0.8rem;
		font-size: 1.8rem;
	}

	.library {
		max-width: 26rem;
		margin: 0.8rem 0;
	}

	form {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
		gap: 0.9rem 1.4rem;
		padding: 1.2rem 1.4rem;
		margin-top: 0.8rem;
	}

	.with-reader {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0.5rem;
		align-items: start;
	}

	.acts {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
	}
</style>
