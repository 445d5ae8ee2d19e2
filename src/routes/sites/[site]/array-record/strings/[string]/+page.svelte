<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { z } from 'zod';
	import {
		EMPTY_STRING_FORM,
		expandLabels,
		formOfString,
		stringFieldsOfForm,
		type StringForm,
		stringFormSchema
	} from '$core/document';
	import { type ChangeStep, onlyEnd } from '$core/record';
	import Field from '$lib/ui/Field.svelte';
	import { useRecord } from '$lib/session/record-session.svelte';
	import StringDrawing from '$lib/ui/StringDrawing.svelte';
	import ModuleTable from './ModuleTable.svelte';
	import StringFields from './StringFields.svelte';

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const hub = $derived(resolve('/sites/[site]/array-record', { site: data.site.id }));
	const stored = $derived(record.strings.find(({ id }) => id === page.params.string));

	/** New strings start as the last one was, but for its mark. */
	function startOfNew(): StringForm {
		const last = session.record.strings.at(-1);
		const first = session.record.moduleTypes.at(-1)?.id ?? '';
		return last
			? { ...formOfString(last), labels: '', input: '' }
			: { ...EMPTY_STRING_FORM, moduleTypeId: first, to: onlyEnd(session.record) ?? '' };
	}
	// svelte-ignore state_referenced_locally
	let form = $state<StringForm>(stored ? formOfString(stored) : startOfNew());
	let errors = $state<Partial<Record<keyof StringForm, string[]>>>({});
	const labels = $derived(stored ? [form.labels.trim()] : expandLabels(form.labels));

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const read = stringFormSchema.safeParse(form);
		errors = read.success ? {} : z.flattenError(read.error).fieldErrors;
		if (!read.success) return;
		const taken = labels.find((label) =>
			record.strings.some((string) => string.label === label && string.id !== stored?.id)
		);
		if (taken) {
			const words = `There is a string ${taken} already. Choose another mark, or change that one.`;
			errors = { labels: [words] };
			return;
		}
		const fields = stringFieldsOfForm(read.data);
		const steps = labels.map((label): ChangeStep => {
			const base = stored ?? { id: uuid(), modules: [], spans: [] };
			const modules = base.modules.filter(({ number }) => number <= fields.moduleCount);
			return {
				op: 'put',
				list: 'strings',
				value: { ...base, ...fields, label, modules, spans: base.spans }
			};
		});
		const words = `${labels.join(', ')} ${stored ? 'changed' : 'added'}`;
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above
		if (await session.change(words, steps)) await goto(hub);
	}

	async function remove(): Promise<void> {
		if (!stored) return;
		const step: ChangeStep = { op: 'remove', list: 'strings', id: stored.id };
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above
		if (await session.change(`${stored.label} taken out`, [step])) await goto(hub);
	}
</script>

<svelte:head><title>{stored?.label ?? 'Strings'} · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
	<p><a href={hub}>Array record</a></p>
	{#if stored || page.params.string === 'new'}
		<h1>{stored ? `String ${stored.label}` : 'Add strings'}</h1>
		{#if stored}
			<StringDrawing
				modules={stored.moduleCount}
				fuse={stored.fuse}
				devices={stored.devices}
				blockingDiode={stored.blockingDiode}
				room={Math.min(640, stored.moduleCount * 17.8)}
			/>
		{/if}
		<form onsubmit={store} class="panel">
			<Field
				label={stored ? 'Mark' : 'Marks'}
				name="labels"
				bind:value={form.labels}
				errors={errors.labels}
				help={stored
					? 'The same at roof, combiner and inverter'
					: labels.length > 1
						? `${labels.length} strings: ${labels.slice(0, 6).join(', ')}${labels.length > 6 ? ' …' : ''}`
						: 'A1-A4 makes four; or A1, A2'}
			/>
			<StringFields bind:form {errors} {record} />
			<p class="acts">
				<button class="act"
					>{stored
						? 'Store the change'
						: labels.length > 1
							? `Add ${labels.length} strings`
							: 'Add'}</button
				>
				{#if stored}
					<button type="button" class="act-plain" onclick={remove}
						>Take {stored.label} out of the record</button
					>
				{/if}
			</p>
		</form>
		{#if stored}
			<ModuleTable string={stored} {session} />
		{/if}
	{:else}
		<p>This string is no longer in the record.</p>
	{/if}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	form {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
		gap: 0.9rem 1.4rem;
		padding: 1.2rem 1.4rem;
		margin-top: 0.8rem;
	}

	.acts {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
	}
</style>
