<script lang="ts">
	import Copy from '@lucide/svelte/icons/copy';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash from '@lucide/svelte/icons/trash-2';
	import { v7 as uuid } from 'uuid';
	import { resolve } from '$app/paths';
	import {
		type Cell,
		cellKey,
		cellsOf,
		type ChangeStep,
		duplicateString,
		type Field,
		layRun,
		liftModules,
		moveModule,
		occupants,
		type RecordChange,
		removal,
		type Step,
		STEPS,
		type StringRecord,
		unplaced
	} from '$core/record';
	import type { Result } from '$core/units';
	import { afterPaint } from '$lib/ui/after-paint.svelte';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { coloursOf } from '$lib/ui/string-colours';
	import FieldForm from './FieldForm.svelte';
	import FieldPlan from './FieldPlan.svelte';
	import PathList from './PathList.svelte';
	import WhereTo from './WhereTo.svelte';

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const colours = $derived(coloursOf(record.strings));
	const occupied = $derived(occupants(record));

	const onField = $derived.by(() => {
		const fields = new Map<string, StringRecord[]>();
		for (const string of record.strings) {
			for (const id of new Set(string.spans.map(({ field }) => field))) {
				fields.set(id, [...(fields.get(id) ?? []), string]);
			}
		}
		return fields;
	});

	let chosenString = $state<string | null>(null);
	let chosenCell = $state.raw<Cell | null>(null);
	let chosenInput = $state('');
	let step = $state<Step>('right');
	let said = $state('');
	let edited = $state.raw<{ field: Field; fresh: boolean } | null>(null);

	const inputs = $derived([...new Set(record.strings.flatMap(({ input }) => input ?? []))]);
	const string = $derived(record.strings.find(({ id }) => id === chosenString));
	const module = $derived(
		chosenCell && string ? (occupied.get(cellKey(chosenCell))?.module ?? null) : null
	);
	const lit = $derived(
		new Set(
			chosenInput
				? record.strings.filter(({ input }) => input === chosenInput).map(({ id }) => id)
				: chosenString
					? [chosenString]
					: []
		)
	);
	/** The plan fades all others once what was pressed shows. */
	const litOnPlan = afterPaint<ReadonlySet<string>>(() => lit, new Set());
	/** What is said of the string that is chosen comes after it is lit. */
	const told = afterPaint(() => (string ? { string, module } : null), null);

	/** Findings by the cell and by the string they were found on. */
	const found = $derived.by(() => {
		const cells = new Map<string, string>();
		const modules = new Map<string, number[]>();
		const words = new Map<string, string[]>();
		for (const { place, words: what } of data.findings) {
			if (place === null || place.kind === 'part') continue;
			words.set(place.stringId, [...(words.get(place.stringId) ?? []), what]);
			if (place.kind !== 'module') continue;
			modules.set(place.stringId, [...(modules.get(place.stringId) ?? []), place.module]);
			const on = record.strings.find(({ id }) => id === place.stringId);
			const cell = on && cellsOf(on.spans, on.moduleCount)[place.module - 1];
			if (cell) cells.set(cellKey(cell), what);
		}
		return { cells, modules, words };
	});

	function chooseString({ id }: StringRecord): void {
		chosenString = chosenString === id ? null : id;
		chosenCell = null;
		chosenInput = '';
	}
	function chooseCell(cell: Cell): void {
		const here = occupied.get(cellKey(cell));
		chosenCell = cell;
		chosenString = here?.string.id ?? null;
		chosenInput = '';
	}
	function store(words: string, result: Result<RecordChange, string>): void {
		said = result.ok ? '' : result.problem;
		if (result.ok && result.value.length > 0) void session.change(words, result.value);
	}

	function lay(cell: Cell): void {
		if (!string) return void (said = 'Choose a string first, then the place of its first module.');
		const laid = layRun(record, string.id, cell, step);
		if (!laid.ok) return void (said = laid.problem);
		const { change, laid: count, left } = laid.value;
		void session.change(`${count} modules of ${string.label} laid`, change);
		said = left > 0 ? `${left} modules of ${string.label} still lie nowhere.` : '';
	}
	function lift(cell: Cell): void {
		const here = occupied.get(cellKey(cell));
		if (!here) return;
		store(
			`Module ${here.module} of ${here.string.label} taken off the plan`,
			liftModules(record, here.string.id, here.module)
		);
	}
	function duplicate(of: StringRecord): void {
		const copy = duplicateString(record, of.id, uuid());
		if (!copy.ok) return void (said = copy.problem);
		void session.change(`${copy.value.label} made from ${of.label}`, copy.value.change);
	}
	function remove({ id, label }: StringRecord): void {
		void session.change(`${label} taken out`, [{ op: 'remove', list: 'strings', id }]);
	}
	function order(moved: StringRecord, before: string | null): void {
		const put: ChangeStep = { op: 'put', list: 'strings', value: moved, before };
		void session.change(`${moved.label} moved`, [put]);
	}
	function newField(): void {
		const field: Field = {
			id: uuid(),
			name: `Field ${record.fields.length + 1}`,
			rows: 2,
			columns: 12,
			tilt: null,
			azimuth: null,
			lying: false,
			countedTypeId: null
		};
		edited = { field, fresh: true };
	}
	function storeField(field: Field): void {
		void session.change(`${field.name} stored`, [{ op: 'put', list: 'fields', value: field }]);
		edited = null;
	}
	const STEP_WORDS: Readonly<Record<Step, string>> = {
		right: 'to the right',
		left: 'to the left',
		down: 'downwards',
		up: 'upwards'
	};
</script>

<svelte:head><title>Map · {data.site.name} · Zembo</title></svelte:head>

<div class="map">
	<section class="paths" aria-label="Paths">
		<div class="line">
			<h1>Map</h1>
			<p>
				<a href={resolve('/sites/[site]/marks', { site: data.site.id })}>Marks to print</a>
				<a href={resolve('/sites/[site]/emergency', { site: data.site.id })}>Emergency card</a>
			</p>
		</div>
		<div class="ask">
			<label for="input">From an input to its modules</label>
			<select
				class="bare"
				id="input"
				bind:value={chosenInput}
				onchange={() => {
					chosenString = null;
					chosenCell = null;
				}}
			>
				<option value="">All inputs</option>
				{#each inputs as input (input)}<option value={input}>Input {input}</option>{/each}
			</select>
		</div>
		{#if record.strings.length === 0}
			<p class="soft">
				No strings yet.
				<a
					href={resolve('/sites/[site]/array-record/strings/[string]', {
						site: data.site.id,
						string: 'new'
					})}>Add strings</a
				>
			</p>
		{:else}
			<PathList
				strings={record.strings}
				{colours}
				found={found.modules}
				{lit}
				onchoose={chooseString}
				onorder={order}
			/>
			<p class="soft keys">
				Drag the handle, or Alt with the arrow keys on a string, to put it elsewhere.
			</p>
			<p>
				<a
					class="act-plain"
					href={resolve('/sites/[site]/array-record/strings/[string]', {
						site: data.site.id,
						string: 'new'
					})}><Plus size={20} aria-hidden="true" />Add strings</a
				>
			</p>
		{/if}
	</section>

	<section class="plans" aria-label="Plan">
		{#if told.current}
			{@const { string, module } = told.current}
			{@const waiting = unplaced(string).length}
			<WhereTo
				{record}
				stringId={string.id}
				{module}
				{colours}
				findings={found.words.get(string.id) ?? []}
			/>
			<div class="acts">
				{#if waiting > 0}
					<p>
						<strong>{waiting} modules of {string.label} lie nowhere yet.</strong> Press the place of the
						first of them; the others follow
					</p>
					<label class="sr-only" for="step">Direction</label>
					<select class="bare" id="step" bind:value={step}>
						{#each STEPS as value (value)}<option {value}>{STEP_WORDS[value]}</option>{/each}
					</select>
				{/if}
				{#if waiting < string.moduleCount}
					<button
						class="act-plain"
						onclick={() =>
							store(`${string.label} taken off the plan`, liftModules(record, string.id, null))}
						>Take {string.label} off the plan</button
					>
				{/if}
				<button class="act-plain" onclick={() => duplicate(string)}
					><Copy size={18} aria-hidden="true" />Duplicate {string.label}</button
				>
				<button class="act-plain" onclick={() => remove(string)}
					><Trash size={18} aria-hidden="true" />Take {string.label} out</button
				>
				<a
					class="act-plain"
					href={resolve('/sites/[site]/array-record/strings/[string]', {
						site: data.site.id,
						string: string.id
					})}>Open {string.label}</a
				>
			</div>
		{:else if record.fields.length > 0}
			<p class="soft hint">Press a module or a string to see where it goes.</p>
		{/if}
		{#if said}<p class="notice" role="status">{said}</p>{/if}
		{#if edited}
			{@const { field, fresh } = edited}
			{#key field.id}
				<FieldForm
					{field}
					{fresh}
					onstore={storeField}
					onclose={() => (edited = null)}
					onremove={() => {
						void session.change(`${field.name} taken out`, removal(record, 'fields', field.id));
						edited = null;
					}}
				/>
			{/key}
		{/if}
		{#each record.fields as field (field.id)}
			<div class="field">
				<div class="line">
					<h2>{field.name}</h2>
					<span class="soft figure"
						>{field.tilt === null ? 'tilt unknown' : `${field.tilt}° tilt`}, {field.azimuth === null
							? 'azimuth unknown'
							: `faces ${field.azimuth}°`}</span
					>
					<button class="change" onclick={() => (edited = { field, fresh: false })}
						>change<span class="sr-only"> {field.name}</span></button
					>
				</div>
				<FieldPlan
					{field}
					strings={onField.get(field.id) ?? []}
					{colours}
					{occupied}
					found={new Map([...found.cells].filter(([key]) => key.startsWith(`${field.id}/`)))}
					lit={litOnPlan.current}
					chosen={chosenCell}
					onchoose={chooseCell}
					onmove={(from, to) => store('Module moved', moveModule(record, from, to))}
					onlay={lay}
					onlift={lift}
				/>
			</div>
		{/each}
		{#if record.fields.length > 0}
			<p class="soft keys">
				Drag a module to another place; two change places. By keyboard: arrows, Enter to choose or
				lay, M to carry and Enter to put down, Delete to take off.
			</p>
		{:else}
			<p class="soft">No roof, rack or canopy is drawn yet.</p>
		{/if}
		<button class="act-plain" onclick={newField}
			><Plus size={20} aria-hidden="true" />Add a roof, rack or canopy</button
		>
	</section>
</div>

<style>
	.map {
		display: grid;
		grid-template-columns: 22.5rem minmax(0, 1fr);
		gap: 1.5rem;
		padding: 1rem clamp(0.75rem, 2vw, 1.5rem) 4rem;
		align-items: start;
	}

	h1 {
		font-size: 1.6rem;
	}

	h2 {
		font-size: 1.1rem;
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0.2rem 1rem;
	}

	.line p {
		display: flex;
		gap: 1rem;
		margin-inline-start: auto;
	}

	.line a {
		padding: 0.6rem 0;
	}

	.ask {
		display: grid;
		gap: 0.2rem;
		margin: 0.4rem 0 0.6rem;
	}

	label {
		font-weight: 600;
	}

	.field {
		margin-bottom: 1.4rem;
		content-visibility: auto;
		contain-intrinsic-size: auto 340px;
	}

	.change {
		min-height: 44px;
		padding: 0 0.4rem;
		color: var(--accent);
		text-decoration: underline;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem 0.9rem;
		margin-bottom: 1rem;
	}

	.hint {
		min-height: 44px;
	}

	.keys {
		font-size: 0.9rem;
		margin: 0.5rem 0;
	}

	.notice {
		margin-bottom: 1rem;
	}

	@media (max-width: 900px) {
		.map {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
