<script lang="ts">
	import { type BatchNameplate, labelFindings } from '$core/bench';
	import { BATCH_LIMITS, readFigure } from '$core/document';
	import { TECHNOLOGIES, type Technology, TECHNOLOGY_FACTS } from '$core/module';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		label: BatchNameplate;
		onchange: (label: BatchNameplate) => void;
	}
	let { label, onchange }: Props = $props();

	const FIGURES = [
		['pmax', 'Pmax', BATCH_LIMITS.pmax],
		['vmp', 'Vmp', BATCH_LIMITS.vmp],
		['imp', 'Imp', BATCH_LIMITS.imp],
		['voc', 'Voc', BATCH_LIMITS.voc],
		['isc', 'Isc', BATCH_LIMITS.isc],
		['cellsInSeries', 'Cells in series', BATCH_LIMITS.cells],
		['seriesFuse', 'Maximum series fuse', BATCH_LIMITS.seriesFuse]
	] as const;
	type Key = (typeof FIGURES)[number][0];
	let typed = $state<Partial<Record<Key, string>>>({});
	let errors = $state<Partial<Record<Key, string>>>({});
	const findings = $derived(labelFindings(label));
	const wordsOf = (key: Key, wanted: 'error' | 'odd') =>
		findings
			.filter(({ field, severity }) => field === key && severity === wanted)
			.map(({ words }) => words);
	const shown = (key: Key) => typed[key] ?? String(label[key] ?? '');

	function settle(key: Key, text: string): void {
		typed[key] = text;
		const limits = FIGURES.find(([name]) => name === key)![2];
		if (text.trim() === '') {
			errors[key] = '';
			return onchange({ ...label, [key]: null });
		}
		const read = readFigure(text, limits);
		errors[key] = read.ok ? '' : read.problem;
		if (read.ok) onchange({ ...label, [key]: read.value });
	}
	const technologies = [
		{ value: '', words: 'not known' },
		...TECHNOLOGIES.map((value) => ({ value, words: TECHNOLOGY_FACTS[value].words }))
	];
</script>

<div class="label">
	{#each FIGURES as [key, words, limits] (key)}
		<Field
			label={words}
			name={key}
			unit={limits.unit}
			figures
			value={shown(key)}
			errors={errors[key] ? [errors[key]] : wordsOf(key, 'error')}
			odd={wordsOf(key, 'odd')}
			onchange={(event) => settle(key, event.currentTarget.value)}
		/>
	{/each}
	<Choice
		label="Cells are of"
		name="technology"
		value={label.technology ?? ''}
		options={technologies}
		onchange={(event) =>
			onchange({
				...label,
				technology:
					event.currentTarget.value === '' ? null : (event.currentTarget.value as Technology)
			})}
	/>
</div>

<style>
	.label {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
		gap: 0.6rem;
	}
</style>
