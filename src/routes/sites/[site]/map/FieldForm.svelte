<script lang="ts">
	import { figureOrUnknown, figureValue, readFigure, RECORD_LIMITS } from '$core/document';
	import type { Field as Plane } from '$core/record';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		field: Plane;
		/** It is not in the record yet. */
		fresh: boolean;
		onstore: (field: Plane) => void;
		onremove: () => void;
		onclose: () => void;
	}
	let { field, fresh, onstore, onremove, onclose }: Props = $props();

	// svelte-ignore state_referenced_locally
	let typed = $state({
		name: field.name,
		rows: String(field.rows),
		columns: String(field.columns),
		tilt: String(field.tilt ?? ''),
		azimuth: String(field.azimuth ?? ''),
		lying: field.lying ? 'yes' : 'no'
	});
	let errors = $state<Record<string, string[]>>({});

	function store(event: SubmitEvent): void {
		event.preventDefault();
		const found: Record<string, string[]> = {};
		for (const key of ['rows', 'columns', 'tilt', 'azimuth'] as const) {
			const mayBeEmpty = key === 'tilt' || key === 'azimuth';
			if (mayBeEmpty && typed[key].trim() === '') continue;
			const read = readFigure(typed[key], RECORD_LIMITS[key]);
			if (!read.ok) found[key] = [read.problem];
		}
		if (typed.name.trim() === '') found.name = ['Give it a name: South roof.'];
		errors = found;
		if (Object.keys(found).length > 0) return;
		onstore({
			...field,
			name: typed.name.trim().slice(0, 60),
			rows: figureValue(typed.rows),
			columns: figureValue(typed.columns),
			tilt: figureOrUnknown(typed.tilt),
			azimuth: figureOrUnknown(typed.azimuth),
			lying: typed.lying === 'yes'
		});
	}
</script>

<form onsubmit={store} class="panel">
	<Field label="Name" name="name" bind:value={typed.name} errors={errors.name} />
	<Field label="Rows" name="rows" bind:value={typed.rows} errors={errors.rows} figures />
	<Field
		label="Columns"
		name="columns"
		bind:value={typed.columns}
		errors={errors.columns}
		figures
	/>
	<Choice
		label="Modules"
		name="lying"
		bind:value={typed.lying}
		options={[
			{ value: 'no', words: 'stand on the short side' },
			{ value: 'yes', words: 'lie on the long side' }
		]}
	/>
	<Field
		label="Tilt from level"
		name="tilt"
		bind:value={typed.tilt}
		errors={errors.tilt}
		unit="°"
		figures
	/>
	<Field
		label="Faces, from north over east"
		name="azimuth"
		bind:value={typed.azimuth}
		errors={errors.azimuth}
		unit="°"
		figures
		help="South is 180"
	/>
	<p>
		<button class="act">{fresh ? 'Add the field' : 'Store the field'}</button>
		<button type="button" class="act-plain" onclick={onclose}>Close</button>
		{#if !fresh}
			<button type="button" class="act-plain" onclick={onremove}>Take it out</button>
		{/if}
	</p>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
		gap: 0.8rem 1.1rem;
		padding: 1rem 1.2rem;
		margin-bottom: 1rem;
	}

	p {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 0.7rem;
	}
</style>
