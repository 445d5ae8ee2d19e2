<script lang="ts">
	import Download from '@lucide/svelte/icons/download';
	import Plus from '@lucide/svelte/icons/plus';
	import { v7 as uuid } from 'uuid';
	import { invalidateAll } from '$app/navigation';
	import { resolve } from '$app/paths';
	import {
		importModuleTypes,
		LIBRARY_KINDS,
		type LibraryEntry,
		libraryFields,
		type LibraryKind,
		libraryKindWords,
		MODULE_TYPE_COLUMNS,
		moduleTypeRows,
		readLibrary,
		type RefusedLine,
		typeColumns,
		typeRows,
		typesOfLines,
		writeLibrary
	} from '$core/document';
	import CsvPreview from '$lib/ui/CsvPreview.svelte';
	import { download, writeCsv } from '$lib/text/csv';
	import { sendJson } from '$lib/session/send-json';
	import { count } from '$lib/text/format';
	import { useSpeak } from '$lib/messages/speak-context';
	import { PART_NAMES } from '$core/record';

	const speak = useSpeak();
	const kindWords = (kind: LibraryKind) =>
		libraryKindWords(kind, (part) => speak(PART_NAMES[part]));

	let { data } = $props();
	let problem = $state('');
	let done = $state('');
	let added = $state<LibraryKind>('module');
	/** The kind that goes in and out as a list. */
	let listed = $state<LibraryKind>('module');
	const groups = $derived(
		LIBRARY_KINDS.map((kind) => ({
			kind,
			entries: data.entries.filter((entry) => entry.kind === kind)
		})).filter(({ entries }) => entries.length > 0)
	);

	function gist(entry: LibraryEntry): string {
		if (entry.kind === 'module') {
			const { pmax, voc, isc } = entry.plate;
			return `${pmax} W · ${voc} V · ${isc} A`;
		}
		const specs = entry.specs as Readonly<Record<string, string | number | null>>;
		return Object.entries(libraryFields(entry.kind))
			.flatMap(([key, field]) => {
				const value = specs[key];
				if (value === null || value === undefined || field.type === 'text') return [];
				return [field.type === 'figure' ? `${value}${field.unit ? ` ${field.unit}` : ''}` : value];
			})
			.slice(0, 4)
			.join(' · ');
	}

	/** Entries without what the page added to them. */
	const plain = () =>
		data.entries.map(({ own: _, version: __, ...entry }) => entry as LibraryEntry);

	async function put(entries: readonly LibraryEntry[]): Promise<boolean> {
		const put = new Set(entries.map(({ id }) => id));
		const seen = data.entries.filter(({ id }) => put.has(id));
		const versions = Object.fromEntries(seen.map(({ id, version }) => [id, version]));
		const answer = await sendJson('/library/entries', { put: entries, versions });
		problem = answer.ok ? '' : answer.words;
		if (answer.ok) await invalidateAll();
		return answer.ok;
	}

	/** What a list would do. */
	function outcome(entries: readonly LibraryEntry[], refused: readonly RefusedLine[]) {
		const words = entries.length > 0 ? count(entries.length, 'type') : '';
		return { refused, words, store: () => put(entries) };
	}
	function saveList(): void {
		const rows = listed === 'module' ? moduleTypeRows(plain()) : typeRows(listed, plain());
		download(`${kindWords(listed)} types.csv`, writeCsv(rows), 'text/csv');
	}

	async function readFile(event: Event): Promise<void> {
		const input = event.currentTarget as HTMLInputElement;
		const file = input.files?.[0];
		input.value = '';
		if (!file) return;
		done = '';
		const read = readLibrary(await file.text());
		if (!read.ok) {
			const { what, where, mend } = read.problem;
			problem = `${what}${where ? ` At ${where}.` : ''} ${mend}`;
			return;
		}
		// A type as it stands here already stays as it is: a generic one does not become one's own.
		const written = readLibrary(writeLibrary(plain()));
		const entries = written.ok ? written.value : [];
		const here = new Map(entries.map((entry) => [entry.id, JSON.stringify(entry)]));
		const fresh = read.value.filter((entry) => here.get(entry.id) !== JSON.stringify(entry));
		if (fresh.length === 0) return void (done = 'Every type of this file is here already.');
		if (await put(fresh)) done = `${count(fresh.length, 'type')} taken over.`;
	}
</script>

<svelte:head><title>Library · Zembo</title></svelte:head>

<div class="page">
	<h1>Library</h1>
	<p class="soft lead">
		Types one meets again: their figures are taken over into a record and can be changed there. The
		generic ones are typical of their kind and nobody’s product.
	</p>
	<div class="acts">
		<form method="GET" action={resolve('/library/[entry]', { entry: 'new' })}>
			<label class="sr-only" for="kind">Kind</label>
			<select class="bare" id="kind" name="kind" bind:value={added}>
				{#each LIBRARY_KINDS as kind (kind)}<option value={kind}>{kindWords(kind)}</option>{/each}
			</select>
			<button class="act"><Plus size={20} aria-hidden="true" />Add a type</button>
		</form>
		<button
			class="act-plain"
			onclick={() =>
				download('library.zembo-library.json', writeLibrary(plain()), 'application/json')}
		>
			<Download size={20} aria-hidden="true" />All as JSON
		</button>
		<label class="act-plain">
			Take over a JSON file
			<input type="file" accept=".json,application/json" class="sr-only" onchange={readFile} />
		</label>
	</div>
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
	{#if done}<p class="notice" data-kind="done" role="status">{done}</p>{/if}
	<div class="groups">
		{#each groups as { kind, entries } (kind)}
			<section>
				<h2>{kindWords(kind)} <span class="soft figure">{entries.length}</span></h2>
				<ul>
					{#each entries as entry (entry.id)}
						<li>
							<a href={resolve('/library/[entry]', { entry: entry.id })}>
								<span>{entry.name}{entry.own ? ', own' : ''}</span>
								<span class="figure soft">{gist(entry)}</span>
							</a>
						</li>
					{/each}
				</ul>
			</section>
		{/each}
	</div>
	<div class="lists">
		<label for="listed">Lists as CSV of</label>
		<select class="bare" id="listed" bind:value={listed}>
			{#each LIBRARY_KINDS as kind (kind)}<option value={kind}>{kindWords(kind)}</option>{/each}
		</select>
		<button class="act-plain" onclick={saveList}>
			<Download size={20} aria-hidden="true" />{kindWords(listed)} types as CSV
		</button>
	</div>
	{#key listed}
		{#if listed === 'module'}
			<CsvPreview
				title="Module types in"
				help="One label a line. A label that contradicts itself is refused with the reason."
				columns={MODULE_TYPE_COLUMNS}
				consider={(lines) => {
					const { entries, refused } = importModuleTypes(lines, uuid);
					return outcome(entries, refused);
				}}
			/>
		{:else}
			{@const kind = listed}
			<CsvPreview
				title="{kindWords(kind)} types in"
				help="One type a line, under the headings of the file that goes out. An empty cell is unknown."
				columns={typeColumns(kind)}
				consider={(lines) => outcome(typesOfLines(kind, lines, uuid), [])}
			/>
		{/if}
	{/key}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 70ch;
	}

	.acts,
	.acts form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.7rem;
	}

	.acts {
		margin: 1rem 0;
	}

	.lists {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.7rem;
		margin-bottom: 0.8rem;
	}

	.lists label {
		font-weight: 600;
	}

	.groups {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(24rem, 1fr));
		gap: 1.4rem 2.4rem;
		margin: 1rem 0 2rem;
	}

	h2 {
		font-size: 1.1rem;
		border-bottom: var(--stroke) solid var(--rule);
		padding-bottom: 0.2rem;
	}

	li a {
		display: grid;
		min-height: 46px;
		align-content: center;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
		line-height: 1.3;
	}

	li a:hover {
		background: var(--lit);
	}

	li .figure {
		font-size: 0.9rem;
		white-space: normal;
	}

	@media (max-width: 600px) {
		.groups {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
