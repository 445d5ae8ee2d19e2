<script lang="ts" generics="Source extends string">
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';

	interface Figure {
		readonly name: string;
		readonly label: string;
		readonly unit: string;
		readonly help: string;
		readonly errors: readonly string[] | undefined;
	}
	interface Props {
		legend: string;
		figure: Figure;
		value: string;
		/** Where the figure comes from. */
		sourceName: string;
		sources: readonly { readonly value: Source; readonly words: string }[];
		source: Source;
		onsource: () => void;
		uncertaintyFigure: Figure;
		/** Its standard uncertainty. */
		uncertainty: string;
	}
	let {
		legend,
		figure,
		value = $bindable(),
		sourceName,
		sources,
		source = $bindable(),
		onsource,
		uncertaintyFigure,
		uncertainty = $bindable()
	}: Props = $props();
</script>

<fieldset class="panel">
	<legend>{legend}</legend>
	<div class="big">
		<Field {...figure} bind:value figures />
	</div>
	<Choice
		label="Where it comes from"
		name={sourceName}
		bind:value={source as string}
		onchange={onsource}
		options={sources}
	/>
	<Field {...uncertaintyFigure} bind:value={uncertainty} figures />
</fieldset>

<style>
	fieldset {
		padding: 0.75rem 1.25rem 1.25rem;
		display: grid;
		gap: 0.9rem;
		align-content: start;
	}

	legend {
		float: left;
		font-size: 1.2rem;
		font-weight: 650;
	}

	.big :global(input) {
		font-size: 2.4rem;
		font-weight: 600;
		min-height: 68px;
		text-align: end;
	}
</style>
