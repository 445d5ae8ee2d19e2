<script lang="ts">
	import { RATE_LIMITS, readFigure } from '$core/document';
	import {
		faultOf,
		RATED_CODES,
		type RatedCode,
		STRING_FAULT_CODES,
		type StringFaultCode,
		USUAL_RATES
	} from '$core/faults';
	import { FAULTS } from '$core/visit';
	import { useRecord } from '$lib/session/record-session.svelte';

	let { data } = $props();
	const session = useRecord();
	/** Of a thousand such parts so many have the fault at a visit. */
	const PER = 1000;
	const shown = (rate: number) => String(Number((PER * rate).toPrecision(3)));
	const own = $derived(session.record.rates);
	let typed = $state<Partial<Record<RatedCode, string>>>({});
	let errors = $state<Partial<Record<RatedCode, string>>>({});
	let done = $state(false);

	const PART_WORDS = {
		string: 'string',
		pole: 'fuse',
		module: 'module',
		section: 'section',
		joint: 'joint',
		device: 'device'
	} as const;
	const OTHER_PARTS: Partial<Record<RatedCode, string>> = {
		'disconnect-open': 'switch',
		'disconnect-welded': 'switch',
		'cable-damaged': 'string',
		'moisture-intermittent': 'string',
		'spd-failed': 'surge protector',
		'gfdi-fuse-blown': 'inverter',
		'arc-fault': 'inverter',
		'controller-mismatch': 'controller',
		'optimiser-dead': 'device',
		'micro-inverter-dead': 'unit'
	};
	const isOfString = (code: RatedCode): code is RatedCode & StringFaultCode =>
		(STRING_FAULT_CODES as readonly string[]).includes(code);
	const partOf = (code: RatedCode) =>
		isOfString(code) ? PART_WORDS[faultOf(code).spread] : (OTHER_PARTS[code] ?? 'site');

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		errors = {};
		const rates: Record<string, number> = {};
		for (const code of RATED_CODES) {
			const text = (typed[code] ?? (own[code] === undefined ? '' : shown(own[code]))).trim();
			if (text === '') continue;
			const read = readFigure(text, {
				min: PER * RATE_LIMITS.min,
				max: PER * RATE_LIMITS.max,
				unit: 'in a thousand'
			});
			if (read.ok) rates[code] = read.value / PER;
			else errors[code] = read.problem;
		}
		if (Object.keys(errors).length > 0) return;
		done = await session.change('Rates of faults changed', [
			{ op: 'set', fact: 'rates', value: rates }
		]);
		if (done) typed = {};
	}
</script>

<svelte:head><title>Rates of faults · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>How often things fail here</h1>
	<p class="soft lead">
		What the tracing takes each fault for before it has looked: of a thousand such parts so many
		have it at one visit. The usual figures are judgement, what a tester of many inherited arrays
		would expect. An empty field keeps the usual one; a visit keeps the rates of its revision of the
		record.
	</p>
	<form onsubmit={store} oninput={() => (done = false)}>
		<table>
			<thead>
				<tr><th>Fault</th><th>Of a thousand</th><th class="num">usual</th><th>here</th></tr>
			</thead>
			<tbody>
				{#each RATED_CODES as code (code)}
					<tr>
						<th scope="row"><label for="rate-{code}">{FAULTS[code].words}</label></th>
						<td>{partOf(code)}s</td>
						<td class="num figure">{shown(USUAL_RATES[code])}</td>
						<td>
							<input
								id="rate-{code}"
								name={code}
								class="figure"
								inputmode="decimal"
								autocomplete="off"
								value={typed[code] ?? (own[code] === undefined ? '' : shown(own[code]))}
								oninput={(event) => (typed[code] = event.currentTarget.value)}
								aria-invalid={errors[code] !== undefined}
							/>
							{#if errors[code]}<span class="error" role="alert">{errors[code]}</span>{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
		<p class="end">
			<button class="act">Store</button>
			{#if done}<span role="status">Stored as revision {session.number}.</span>{/if}
		</p>
	</form>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 78ch;
		margin-bottom: 0.8rem;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 1.2rem 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}

	.num {
		text-align: end;
	}

	input {
		width: 7rem;
		min-height: 44px;
		padding: 0.2rem 0.6rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
	}

	.error {
		display: block;
		color: var(--off);
	}

	.end {
		display: flex;
		align-items: center;
		gap: 1rem;
		margin-top: 1rem;
	}

	@media (max-width: 560px) {
		td:nth-child(2),
		th:nth-child(2) {
			display: none;
		}

		th,
		td {
			padding-inline-end: 0.5rem;
		}

		input {
			width: 5rem;
		}
	}
</style>
