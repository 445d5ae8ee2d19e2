<script lang="ts">
	import {
		type LabelForm,
		labelFormSchema,
		type LibraryEntry,
		moduleTypeOfForm,
		readFigure,
		RECORD_LIMITS
	} from '$core/document';
	import {
		checkLabel,
		DEFAULT_TECHNOLOGY,
		TECHNOLOGIES,
		type Technology,
		TECHNOLOGY_FACTS
	} from '$core/module';
	import type { ModuleType } from '$core/record';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		library: readonly LibraryEntry[];
		/** Id of the type that is made. */
		id: string;
		/** Says what is missing beside fields that nobody touched. */
		asked: boolean;
		/** Null while there is none yet. */
		moduleType: ModuleType | null;
		/** Rated power of a module, W, as soon as it is typed; null before. */
		ratedPower: number | null;
	}
	let { library, id, asked, moduleType = $bindable(), ratedPower = $bindable() }: Props = $props();

	const UNREAD_NAME = 'Module, nameplate to be completed';
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
		technology: DEFAULT_TECHNOLOGY as Technology,
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
	const questions = $derived(checkLabel(moduleTypeOfForm(id, form).plate));

	$effect(() => {
		moduleType = made();
		ratedPower = powerOf();
	});
	/** Power alone says what the array is rated, before the rest of the nameplate is read. */
	function powerOf(): number | null {
		if (chosen !== 'typed') return moduleType?.plate.pmax ?? null;
		const read = readFigure(typed.pmax, RECORD_LIMITS.watts);
		return read.ok ? read.value : null;
	}
	function made(): ModuleType | null {
		if (chosen === 'typed') {
			const holds = issues.length === 0 && !questions.some(({ severity }) => severity === 'error');
			return holds ? moduleTypeOfForm(id, form) : null;
		}
		const entry = types.find((candidate) => candidate.id === chosen);
		if (!entry) return null;
		const { name, plate: nameplate, tolerance, limits } = entry;
		return { id, name, plate: nameplate, tolerance, limits };
	}
</script>

<label class="sr-only" for="type">Module type</label>
<select id="type" name="type" class="survey-select" bind:value={chosen}>
	<option value="">Choose a type like it</option>
	<option value="typed">Type the nameplate</option>
	{#each types as { id: entryId, name } (entryId)}<option value={entryId}>{name}</option>{/each}
</select>
{#if chosen === 'typed'}
	<div class="figures">
		<Field label="Model, as on the nameplate" name="name" bind:value={typed.name} />
		<Choice
			label="Cell technology"
			name="technology"
			bind:value={typed.technology}
			options={TECHNOLOGIES.map((value) => ({
				value,
				words: TECHNOLOGY_FACTS[value].words
			}))}
			words="Assumed until somebody reads it: temperature coefficients follow from it"
		/>
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
		{#each questions as { field, words } (field + words)}
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
