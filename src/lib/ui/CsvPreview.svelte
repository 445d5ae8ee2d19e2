<script lang="ts" generics="C extends Columns">
	import {
		type Columns,
		type Mapping,
		matchColumns,
		missingColumns,
		type ReadLine,
		readTable,
		type RefusedLine
	} from '$core/document';
	import { readCsv, type Table } from '../text/csv';
	import { count } from '../text/format';

	/** What would be done with the lines that were read. */
	interface Outcome {
		readonly refused: readonly RefusedLine[];
		/** "12 modules", or empty where nothing would be done. */
		readonly words: string;
		readonly store: () => Promise<boolean>;
	}
	interface Props {
		title: string;
		help: string;
		columns: C;
		consider: (lines: readonly ReadLine<C>[]) => Outcome;
	}
	let { title, help, columns, consider }: Props = $props();

	let table = $state.raw<Table | null>(null);
	let mapping = $state.raw<Mapping<C> | null>(null);
	let name = $state('');
	let problem = $state('');
	let done = $state('');

	/** Lines shown of what is read, and of what is refused. */
	const SHOWN = { read: 6, refused: 50 };
	const missing = $derived(mapping ? missingColumns(mapping, columns) : []);
	const read = $derived(
		table && mapping && missing.length === 0 ? readTable(table.rows, mapping, columns) : null
	);
	const outcome = $derived(read ? consider(read.lines) : null);
	const refused = $derived(
		[...(read?.refused ?? []), ...(outcome?.refused ?? [])].sort((a, b) => a.line - b.line)
	);

	async function choose(event: Event): Promise<void> {
		const input = event.currentTarget as HTMLInputElement;
		const file = input.files?.[0];
		input.value = '';
		if (!file) return;
		done = '';
		problem = '';
		table = null;
		name = file.name;
		const answer = await readCsv(file);
		if (!answer.ok) return void (problem = answer.problem);
		table = answer.value;
		mapping = matchColumns(answer.value.header, columns);
	}

	async function store(): Promise<void> {
		const what = outcome?.words ?? '';
		if (outcome && (await outcome.store())) {
			done = `${what} taken over from ${name}.`;
			table = null;
		}
	}
</script>

<section class="panel">
	<h2>{title}</h2>
	<p class="soft">{help}</p>
	<p>
		<label class="act-plain">
			Choose a CSV file
			<input type="file" accept=".csv,text/csv,text/plain" class="sr-only" onchange={choose} />
		</label>
	</p>
	{#if problem}<p class="notice" data-kind="error" role="alert">{name}: {problem}</p>{/if}
	{#if done}<p class="notice" data-kind="done" role="status">{done}</p>{/if}
	{#if table && mapping}
		<h3>{name}: which column is which</h3>
		<div class="columns">
			{#each Object.entries(columns) as [key, column] (key)}
				<label>
					<span>{column.heading}{column.required ? '' : ', if there'}</span>
					<select
						class="bare"
						value={mapping[key] === null ? '' : String(mapping[key])}
						onchange={(event) => {
							const { value } = event.currentTarget;
							mapping = { ...mapping!, [key]: value === '' ? null : Number(value) };
						}}
					>
						<option value="">not in this file</option>
						{#each table.header as heading, i (i)}
							<option value={String(i)}>{heading || `column ${i + 1}`}</option>
						{/each}
					</select>
				</label>
			{/each}
		</div>
		{#if missing.length > 0}
			<p class="notice" data-kind="error" role="alert">
				Nothing in this file is called {missing.join(' or ')}. Choose the column above; nothing is
				stored until then.
			</p>
		{:else if read && outcome}
			<p class="sum">
				<strong>{outcome.words || 'Nothing'}</strong> would be taken over;
				{refused.length === 0 ? 'no line is refused' : `${count(refused.length, 'line')} refused`}.
			</p>
			<div class="preview">
				<table>
					<thead>
						<tr>
							<th>Line</th>
							{#each Object.values(columns) as { heading } (heading)}<th>{heading}</th>{/each}
						</tr>
					</thead>
					<tbody>
						{#each read.lines.slice(0, SHOWN.read) as { line, values } (line)}
							<tr>
								<td class="figure">{line}</td>
								{#each Object.keys(columns) as key (key)}
									{@const value = values[key]}
									<td class="figure"
										>{value === null
											? ''
											: typeof value === 'object'
												? JSON.stringify(value)
												: value}</td
									>
								{/each}
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
			{#if refused.length > 0}
				<details open>
					<summary>Refused lines</summary>
					<ul>
						{#each refused.slice(0, SHOWN.refused) as { line, why } (line)}
							<li><span class="figure">{line}</span> {why}</li>
						{/each}
						{#if refused.length > SHOWN.refused}<li class="soft">
								and {refused.length - SHOWN.refused} more
							</li>{/if}
					</ul>
				</details>
			{/if}
			<p class="acts">
				<button class="act" disabled={outcome.words === ''} onclick={store}
					>Take over {outcome.words}</button
				>
				<button class="act-plain" onclick={() => (table = null)}>Leave it</button>
			</p>
		{/if}
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.7rem;
		padding: 1.1rem 1.4rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	h3 {
		font-size: 1rem;
	}

	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
		gap: 0.6rem 1.2rem;
	}

	.columns label {
		display: grid;
		gap: 0.15rem;
		font-weight: 600;
	}

	select {
		font-weight: 400;
	}

	.preview {
		overflow-x: auto;
	}

	table {
		border-collapse: collapse;
	}

	th,
	td {
		padding: 0.25rem 0.8rem 0.25rem 0;
		text-align: start;
		border-bottom: 1px solid var(--line);
		white-space: nowrap;
	}

	summary {
		min-height: 44px;
		font-weight: 600;
		cursor: pointer;
	}

	details li {
		padding: 0.15rem 0;
	}

	details .figure {
		display: inline-block;
		min-width: 4ch;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
	}
</style>
