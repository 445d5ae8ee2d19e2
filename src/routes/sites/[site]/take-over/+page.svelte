<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { enhance as plainEnhance } from '$app/forms';
	import { resolve } from '$app/paths';
	import { expandLabels } from '$core/document/forms';
	import { checkLabel } from '$core/module/plausibility';
	import Field from '$lib/ui/Field.svelte';
	import FormTrouble from '$lib/ui/FormTrouble.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import StringEditor from '$lib/ui/StringEditor.svelte';
	import StringFields from '$lib/ui/StringFields.svelte';

	let { data, form: answer } = $props();
	// svelte-ignore state_referenced_locally
	const add = keptForm(data.addForm, { id: 'add' });
	const { form, errors, enhance, submitting, message } = add;
	const record = $derived(data.revision.record);
	// The year as it was typed where it was refused, else as it is stored.
	// svelte-ignore state_referenced_locally
	let since = $state(answer?.since ?? String(record.inServiceSince ?? ''));
	const labels = $derived(expandLabels($form.labels));

	// A new module type is chosen at once where none was.
	$effect(() => {
		if ($form.moduleTypeId === '' && record.moduleTypes[0])
			$form.moduleTypeId = record.moduleTypes[0].id;
	});
</script>

<svelte:head><title>Take over · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<p><a href={resolve('/sites/[site]', { site: data.site.id })}>{data.site.name}</a></p>
	<h1>Take over the array</h1>
	<p class="soft lead">
		Read the module’s label, count modules and strings. Visits keep the revision they were made
		with; this is revision {data.revision.number}.
	</p>
	{#if answer?.words}<p class="notice" data-kind="error" role="alert">{answer.words}</p>{/if}
	{#if answer?.done}<p class="notice" data-kind="done" role="status">{answer.done}</p>{/if}

	<section>
		<h2>1. Module types</h2>
		<ul class="plates">
			{#each record.moduleTypes as type (type.id)}
				{@const odd = checkLabel(type.plate)}
				<li>
					<a
						class="panel"
						href={resolve('/sites/[site]/take-over/module-types/[type]', {
							site: data.site.id,
							type: type.id
						})}
					>
						<strong>{type.name}</strong>
						<span class="figure">{type.plate.pmax} W · {type.plate.voc} V · {type.plate.isc} A</span
						>
						<span class="soft"
							>{type.plate.technology}, {type.plate.cellsInSeries} cells in series, {type.plate
								.sections} sections</span
						>
						{#if odd.length > 0}<span class="odd"
								>{odd.length === 1 ? 'one thing is odd' : `${odd.length} things are odd`}</span
							>{/if}
					</a>
				</li>
			{/each}
			<li>
				<a
					class="act-plain"
					href={resolve('/sites/[site]/take-over/module-types/[type]', {
						site: data.site.id,
						type: 'new'
					})}
				>
					<Plus size={20} aria-hidden="true" />Enter a label
				</a>
			</li>
		</ul>
	</section>

	<section>
		<h2>2. Strings</h2>
		{#if record.strings.length > 0}
			<div class="strings">
				{#each record.strings as string (string.id)}
					<StringEditor {string} moduleTypes={record.moduleTypes} revision={data.revision.id} />
				{/each}
			</div>
		{/if}
		{#if record.moduleTypes.length === 0}
			<p class="soft">First the label: without it a string has no expected volts.</p>
		{:else}
			<form method="POST" action="?/add" use:enhance class="panel add">
				<h3>Add strings</h3>
				<input type="hidden" name="revision" value={data.revision.id} />
				<Field
					label="Marks"
					name="labels"
					bind:value={$form.labels}
					errors={$errors.labels}
					help={labels.length > 1
						? `${labels.length} strings: ${labels.slice(0, 6).join(', ')}${labels.length > 6 ? ' …' : ''}`
						: 'A1-A4 makes four; or A1, A2'}
				/>
				<StringFields {form} errors={$errors} moduleTypes={record.moduleTypes} />
				<FormTrouble words={$message} />
				<p>
					<button class="act" disabled={$submitting}
						>{labels.length > 1 ? `Add ${labels.length} strings` : 'Add'}</button
					>
				</p>
			</form>
		{/if}
	</section>

	<section>
		<h2>3. Age</h2>
		<form
			method="POST"
			action="?/since"
			use:plainEnhance={() =>
				async ({ update }) =>
					update({ reset: false })}
			class="since"
		>
			<input type="hidden" name="revision" value={data.revision.id} />
			<Field
				label="In service since"
				name="inServiceSince"
				bind:value={since}
				figures
				unit="year"
				help="Leave empty if unknown; then no ageing is allowed for"
			/>
			<button class="act-plain">Store</button>
		</form>
	</section>

	{#if record.strings.length > 0}
		<p class="next">
			<a class="act" href={resolve('/sites/[site]', { site: data.site.id })}>Done: to the site</a>
		</p>
	{/if}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 68ch;
	}

	section {
		margin-top: 1.6rem;
	}

	h2 {
		font-size: 1.25rem;
		margin-bottom: 0.6rem;
	}

	h3 {
		font-size: 1.05rem;
		grid-column: 1 / -1;
	}

	.plates {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
	}

	.plates .panel {
		display: grid;
		padding: 0.8rem 1.1rem;
		color: var(--ink);
		text-decoration: none;
		border: var(--stroke) solid var(--rule);
	}

	.plates .panel:hover {
		background: var(--lit);
	}

	.odd {
		color: var(--look);
		font-weight: 600;
	}

	.strings {
		border-top: var(--stroke) solid var(--rule);
		margin-bottom: 1.2rem;
	}

	.add {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
		gap: 0.9rem 1.25rem;
		padding: 1.1rem 1.25rem;
		align-items: start;
	}

	.add p {
		grid-column: 1 / -1;
	}

	.since {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: start;
	}

	.since button {
		margin-top: 1.55rem;
	}

	.notice,
	.next {
		margin-top: 1rem;
	}
</style>
