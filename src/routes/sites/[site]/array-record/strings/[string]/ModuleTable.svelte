<script lang="ts">
	import { readFigure, RECORD_LIMITS, serialsOf } from '$core/document';
	import {
		MODULE_STATE_WORDS,
		MODULE_STATES,
		type ModuleDetail,
		type ModuleState,
		type StringRecord
	} from '$core/record';
	import CodeReader from '$lib/ui/CodeReader.svelte';
	import type { RecordSession } from '$lib/session/record-session.svelte';

	let { string, session }: { string: StringRecord; session: RecordSession } = $props();

	const rowsOf = ({ moduleCount, modules }: StringRecord) =>
		Array.from({ length: moduleCount }, (_, i) => {
			const detail = modules.find(({ number }) => number === i + 1);
			return {
				serial: detail?.serial ?? '',
				deviceCode: detail?.deviceCode ?? '',
				year: String(detail?.year ?? ''),
				state: (detail?.state ?? '') as ModuleState | '',
				type: detail?.moduleTypeId ?? ''
			};
		});
	// svelte-ignore state_referenced_locally
	let rows = $state(rowsOf(string));
	// A string that was made longer or shorter has other rows; what is typed in the others stays.
	$effect(() => {
		if (rows.length !== string.moduleCount) {
			const fresh = rowsOf(string);
			rows = fresh.map((row, i) => rows[i] ?? row);
		}
	});

	let next = $state(0);
	let errors = $state<readonly string[]>([]);
	let done = $state(false);

	/** Serials that stand elsewhere in the record, or twice here. */
	const doubled = $derived.by(() => {
		const others = serialsOf({
			strings: session.record.strings.filter(({ id }) => id !== string.id)
		});
		const words = new Map<number, string>();
		const here = new Map<string, number>();
		rows.forEach(({ serial }, i) => {
			const text = serial.trim();
			if (text === '') return;
			const other = others.get(text);
			const twin = here.get(text);
			if (other) words.set(i, `${text} stands at ${other} already`);
			else if (twin !== undefined) words.set(i, `${text} is module ${twin + 1}’s too`);
			else here.set(text, i);
		});
		return words;
	});

	function scanned(code: string): void {
		const row = rows[next];
		if (!row) return;
		row.serial = code;
		done = false;
		const after = rows.findIndex(({ serial }, i) => i > next && serial.trim() === '');
		next = after < 0 ? Math.min(next + 1, rows.length - 1) : after;
	}

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const details: ModuleDetail[] = [];
		const wrong: string[] = [];
		rows.forEach((row, i) => {
			const number = i + 1;
			const year = row.year.trim() === '' ? null : readFigure(row.year, RECORD_LIMITS.year);
			if (year && !year.ok) wrong.push(`Module ${number}: ${year.problem}`);
			const orNull = (text: string) => (text.trim() === '' ? null : text.trim());
			const detail: ModuleDetail = {
				number,
				serial: orNull(row.serial),
				deviceCode: orNull(row.deviceCode),
				year: year?.ok ? year.value : null,
				state: row.state === '' ? null : row.state,
				moduleTypeId: row.type === '' || row.type === string.moduleTypeId ? null : row.type
			};
			const { number: _, ...known } = detail;
			if (Object.values(known).some((value) => value !== null)) details.push(detail);
		});
		errors = wrong;
		if (wrong.length > 0) return;
		done = await session.change(`Modules of ${string.label}`, [
			{ op: 'put', list: 'strings', value: { ...string, modules: details } }
		]);
	}
</script>

<section>
	<h2>Its modules</h2>
	<p class="soft">
		From the negative end. Point the camera at a code, or type; an empty cell is unknown.
	</p>
	<div class="scan">
		<CodeReader many onread={scanned} />
		<span>Next code goes to <strong class="figure">{string.label}, module {next + 1}</strong></span>
	</div>
	<form onsubmit={store} oninput={() => (done = false)}>
		<div class="wide">
			<table>
				<thead>
					<tr>
						<th scope="col">No.</th>
						<th scope="col">Serial</th>
						<th scope="col">Device code</th>
						<th scope="col">Year</th>
						<th scope="col">State</th>
						{#if session.record.moduleTypes.length > 1}<th scope="col">Type</th>{/if}
					</tr>
				</thead>
				<tbody>
					{#each rows as row, i (i)}
						<tr class:next={i === next}>
							<th scope="row" class="figure">{i + 1}</th>
							<td>
								<input
									aria-label="Serial of module {i + 1}"
									bind:value={row.serial}
									maxlength="60"
									onfocus={() => (next = i)}
									class="figure"
								/>
								{#if doubled.has(i)}<p class="doubled">{doubled.get(i)}</p>{/if}
							</td>
							<td>
								<input
									aria-label="Device code of module {i + 1}"
									bind:value={row.deviceCode}
									maxlength="60"
									class="figure"
								/>
							</td>
							<td>
								<input
									aria-label="Year of module {i + 1}"
									bind:value={row.year}
									inputmode="numeric"
									class="figure year"
								/>
							</td>
							<td>
								<select aria-label="State of module {i + 1}" bind:value={row.state}>
									<option value="">unknown</option>
									{#each MODULE_STATES as state (state)}
										<option value={state}>{MODULE_STATE_WORDS[state]}</option>
									{/each}
								</select>
							</td>
							{#if session.record.moduleTypes.length > 1}
								<td>
									<select aria-label="Type of module {i + 1}" bind:value={row.type}>
										<option value="">as its string</option>
										{#each session.record.moduleTypes as type (type.id)}
											<option value={type.id}>{type.name}</option>
										{/each}
									</select>
								</td>
							{/if}
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
		{#each errors as words (words)}<p class="doubled" role="alert">{words}</p>{/each}
		<p class="acts">
			<button class="act-plain">Store the modules</button>
			{#if done}<span role="status">Stored.</span>{/if}
		</p>
	</form>
</section>

<style>
	section {
		margin-top: 1.8rem;
	}

	h2 {
		font-size: 1.25rem;
	}

	.scan {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.4rem 1rem;
		margin: 0.6rem 0;
	}

	.wide {
		overflow-x: auto;
	}

	table {
		width: 100%;
		border-collapse: collapse;
	}

	thead th {
		text-align: start;
		font-weight: 600;
		border-bottom: var(--stroke) solid var(--rule);
	}

	td,
	tbody th {
		padding: 0.15rem 0.4rem 0.15rem 0;
		border-bottom: 1px solid var(--line);
		text-align: start;
	}

	.next th {
		background: var(--lit);
	}

	input,
	select {
		width: 100%;
		min-height: 44px;
		padding: 0.2rem 0.5rem;
		background-color: var(--sheet);
		color: var(--ink);
		border: 1px solid var(--rule);
		border-radius: 3px;
	}

	input {
		min-width: 9rem;
	}

	.year {
		min-width: 4.5rem;
	}

	select {
		min-width: 9rem;
		padding-inline-end: 2rem;
	}

	.doubled {
		color: var(--off);
		font-weight: 600;
		font-size: 0.92rem;
	}

	.acts {
		display: flex;
		align-items: center;
		gap: 1rem;
		margin-top: 0.8rem;
	}
</style>
