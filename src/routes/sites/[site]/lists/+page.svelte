<script lang="ts">
	import Download from '@lucide/svelte/icons/download';
	import { v7 as uuid } from 'uuid';
	import { resolve } from '$app/paths';
	import {
		importModules,
		importStrings,
		MODULE_COLUMNS,
		moduleRows,
		STRING_COLUMNS,
		stringRows
	} from '$core/document';
	import CsvPreview from '$lib/ui/CsvPreview.svelte';
	import { download, writeCsv } from '$lib/text/csv';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { count } from '$lib/text/format';

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const save = (name: string, rows: string[][]) =>
		download(`${data.site.name}, ${name}.csv`, writeCsv(rows), 'text/csv');
</script>

<svelte:head><title>Lists · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<p><a href={resolve('/sites/[site]/array-record', { site: data.site.id })}>Array record</a></p>
	<h1>Lists in and out</h1>
	<p class="soft">
		CSV with a heading; comma, semicolon or tab; decimal point or comma; any line ends. Nothing is
		stored before you have seen what would be.
	</p>
	<p class="acts">
		<button class="act-plain" onclick={() => save('strings', stringRows(record))}>
			<Download size={20} aria-hidden="true" />Strings as CSV
		</button>
		<button class="act-plain" onclick={() => save('modules', moduleRows(record))}>
			<Download size={20} aria-hidden="true" />Modules as CSV
		</button>
	</p>
	<div class="lists">
		<CsvPreview
			title="Strings in"
			help="A mark that is there is changed in what the file says; a new one is added."
			columns={STRING_COLUMNS}
			consider={(lines) => {
				const { steps, added, changed, refused } = importStrings(record, lines, uuid);
				const words = [
					...(added > 0 ? [`${count(added, 'new string')}`] : []),
					...(changed > 0 ? [`${count(changed, 'changed string')}`] : [])
				].join(' and ');
				return { refused, words, store: () => session.change(`List of strings: ${words}`, steps) };
			}}
		/>
		<CsvPreview
			title="Modules in"
			help="Serials, device codes, years and states, by string and number. An empty cell changes nothing."
			columns={MODULE_COLUMNS}
			consider={(lines) => {
				const { steps, taken, refused } = importModules(record, lines);
				const words = taken > 0 ? count(taken, 'module') : '';
				return { refused, words, store: () => session.change(`List of ${words}`, steps) };
			}}
		/>
	</div>
</div>

<style>
	h1 {
		font-size: 1.7rem;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
		margin: 0.8rem 0;
	}

	.lists {
		display: grid;
		gap: 1.2rem;
	}
</style>
