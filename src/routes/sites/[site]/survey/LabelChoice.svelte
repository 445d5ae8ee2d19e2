<script lang="ts">
	import { labelFormSchema, moduleTypeOfForm, type LabelForm } from '$core/document/label-form';
	import type { LibraryEntry } from '$core/document/library/library';
	import { checkLabel } from '$core/module/plausibility';
	import type { ModuleType } from '$core/record/record';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		library: readonly LibraryEntry[];
		/** Id of the type that is made. */
		id: string;
		/** Says what is missing beside fields that nobody touched. */
		asked: boolean;
		/** Null while there is none yet. */
		moduleType: ModuleType | null;
	}
	let { library, id, asked, moduleType = $bindable() }: Props = $props();

	const UNREAD_NAME = 'Module, label to be completed';
	const FIGURES = [
		{ name: 'pmax', label: 'Pmax', unit: 'W' },
		{ name: 'vmp', label: 'Vmp', unit: 'V' },
		{ name: 'imp', label: 'Imp', unit: 'A' },
		{ name: 'voc', label: 'Voc', unit: 'V' },
		{ name: 'isc', label: 'Isc', unit: 'A' },
		{ name: 'cellsInSeries', label: 'Cells in series', unit: '' }
	] as const;

	let chosen = $state('');
	let typed = $state({
		name: '',
		cellsInSeries: '60',
		pmax: '',
		vmp: '',
		imp: '',
		voc: '',
		isc: ''
	});
	const types = $derived(library.filter((entry) => entry.kind === 'module'));

	/** What a survey does not ask: unknown, or as most labels have it. */
	const UNASKED: LabelForm = labelFormSchema.parse({
		name: UNREAD_NAME,
		cellsInSeries: '60',
		pmax: '1',
		vmp: '1',
		imp: '1',
		voc: '2',
		isc: '2',
		alpha: '',
		beta: '',
		systemVolts: '',
		seriesFuse: ''
	});
	const form = $derived<LabelForm>({
		...UNASKED,
		...typed,
		name: typed.name.trim() || UNREAD_NAME
	});
	const issues = $derived.by(() => {
		const read = labelFormSchema.safeParse(form);
		return read.success ? [] : read.error.issues;
	});
	const issuesOf = (name: string) =>
		issues.filter(({ path }) => path[0] === name).map(({ message }) => message);
	const doubts = $derived(checkLabel(moduleTypeOfForm(id, form).plate));

	$effect(() => {
		moduleType = made();
	});
	function made(): ModuleType | null {
		if (chosen === 'typed') {
			const holds = issues.length === 0 && !doubts.some(({ severity }) => severity === 'error');
			return holds ? moduleTypeOfForm(id, form) : null;
		}
		const entry = types.find((candidate) => candidate.id === chosen);
		if (!entry) return null;
		const { name, plate, tolerance, limits } = entry;
		return { id, name, plate, tolerance, limits };
	}
</script>

<label class="sr-only" for="type">Module type</label>
<select id="type" name="type" class="survey-select" bind:value={chosen}>
	<option value="">Choose a type like it</option>
	<option value="typed">Type the label</option>
	{#each types as { id: entryId, name } (entryId)}<option value={entryId}>{name}</option>{/each}
</select>
{#if chosen === 'typed'}
	<div class="figures">
		<Field label="Model, as on the label" name="name" bind:value={typed.name} />
		{#each FIGURES as { name, label, unit } (name)}
			<Field
				{label}
				{name}
				{unit}
				bind:value={typed[name]}
				errors={asked || typed[name] !== '' ? issuesOf(name) : []}
				figures
			/>
		{/each}
		{#each doubts as { field, words } (field + words)}
			<p class="odd">{words}</p>
		{/each}
	</div>
{/if}

<style>
	.figures {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
		gap: 0.7rem 1rem;
		margin-top: 0.8rem;
	}

	.odd {
		grid-column: 1 / -1;
		color: var(--look);
		font-weight: 550;
	}
</style>
