<script lang="ts">
	import { type DecimalMark, STAMP_FORMS, type StampForm } from '$core/monitoring';
	import Choice from '$lib/ui/Choice.svelte';
	import { DELIMITERS } from './export-head';
	import type { ImportSession } from '../session/import-session.svelte';

	let { session }: { session: ImportSession } = $props();
	const head = $derived(session.head!);
	const layout = $derived(session.layout!);
	const width = $derived(Math.max(...head.rows.map((row) => row.length)));
	const columns = $derived(
		Array.from({ length: width }, (_, column) => ({
			value: String(column),
			words: head.guess.headings[column] || `column ${column + 1}`
		}))
	);
	const orNone = $derived([{ value: '', words: 'none' }, ...columns]);
	const FORM_WORDS: Readonly<Record<StampForm, string>> = {
		'year-first': '2026-03-12 14:15',
		'day-first': '12.03.2026 14:15',
		'month-first': '03/12/2026 2:15 PM',
		'unix-seconds': 'seconds since 1970',
		'unix-milliseconds': 'milliseconds since 1970',
		'sheet-serial': 'serial dates of a spreadsheet'
	};
	const HOUR = 3_600_000;
	const OFFSETS = Array.from({ length: 27 }, (_, i) => i - 12);
	const numberOrNull = (text: string) => (text === '' ? null : Number(text));
</script>

<div class="choices">
	<Choice
		label="Cells are parted by"
		name="delimiter"
		bind:value={() => head.delimiter, (value) => session.cutAt(value)}
		options={DELIMITERS.map(({ value, words }) => ({ value, words }))}
	/>
	<Choice
		label="Decimals stand behind a"
		name="mark"
		bind:value={
			() => layout.mark as string, (value) => session.change({ mark: value as DecimalMark })
		}
		options={[
			{ value: '.', words: 'point' },
			{ value: ',', words: 'comma' }
		]}
	/>
	<Choice
		label="Time stands in"
		name="time"
		bind:value={
			() => String(layout.time[0] ?? ''), (value) => session.change({ time: [Number(value)] })
		}
		options={columns}
	/>
	{#if layout.time.length > 1}
		<Choice
			label="and the time of day in"
			name="time-of-day"
			bind:value={
				() => String(layout.time[1]),
				(value) => session.change({ time: [layout.time[0]!, Number(value)] })
			}
			options={columns}
		/>
	{/if}
	<Choice
		label="Time is written as"
		name="form"
		bind:value={
			() => layout.form as string, (value) => session.change({ form: value as StampForm })
		}
		options={STAMP_FORMS.map((value) => ({ value, words: FORM_WORDS[value] }))}
	/>
	<Choice
		label="Clock"
		name="offset"
		bind:value={
			() => (layout.fixedOffset === null ? '' : String(layout.fixedOffset)),
			(value) => session.change({ fixedOffset: numberOrNull(value) })
		}
		options={[
			{ value: '', words: `the site’s (${session.timeZone})` },
			...OFFSETS.map((hours) => ({
				value: String(hours * HOUR),
				words: `all year ${hours === 0 ? 'UTC' : `UTC${hours > 0 ? '+' : '\u2212'}${Math.abs(hours)}`}`
			}))
		]}
	/>
	<Choice
		label="A column names the unit"
		name="unit-column"
		bind:value={
			() => (layout.unitColumn === null ? '' : String(layout.unitColumn)),
			(value) =>
				session.change({
					unitColumn: numberOrNull(value),
					figures: layout.figures
						.filter(({ column }) => String(column) !== value)
						.map((figure) => ({ ...figure, unit: value === '' ? (figure.unit ?? '') : null }))
				})
		}
		options={orNone}
	/>
	<Choice
		label="A column names the quantity"
		name="quantity-column"
		bind:value={
			() => (layout.quantityColumn === null ? '' : String(layout.quantityColumn)),
			(value) =>
				session.change({
					quantityColumn: numberOrNull(value),
					figures: layout.figures
						.filter(({ column }) => String(column) !== value)
						.map((figure) => ({
							...figure,
							watched: value === '' ? (figure.watched ?? 'power') : null,
							factor: 1
						}))
				})
		}
		options={orNone}
	/>
</div>

<style>
	.choices {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
		gap: 0.7rem 1.2rem;
	}
</style>
