<script lang="ts">
	import { isRead } from '$core/assessment';
	import { labelRanges, partsOf } from '$core/record';
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import { resolve } from '$app/paths';
	import {
		joinMessage,
		meaningsOf,
		placeWords,
		type Purpose,
		PURPOSES,
		QUANTITY_FACTS,
		splitMessage
	} from '$core/visit';
	import { taskName } from '$core/isolation';
	import type { PlanItem } from '$core/visit-plan';
	import { PURPOSE_WORDS } from '$lib/text/purposes';
	import { sendJson } from '$lib/session/send-json';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import { count } from '$lib/text/format';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	const session = useVisit();
	const record = $derived(session.document.record);
	const visit = $derived(session.document.visit);
	const plan = $derived(session.plan);
	const inverters = $derived(partsOf(record.parts, 'inverter'));
	/** Which inverter displays the message stands before it. */
	// svelte-ignore state_referenced_locally
	const begun = splitMessage(visit.inverterSays, marksOfInverters());
	function marksOfInverters(): string[] {
		return partsOf(session.document.record.parts, 'inverter').map(({ mark }) => mark);
	}
	let says = $state(begun.message);
	let shownBy = $state(begun.inverter ?? '');
	// svelte-ignore state_referenced_locally
	let purpose = $state<Purpose>(visit.purpose);
	let problem = $state('');
	type Reason = Pick<typeof visit, 'purpose' | 'inverterSays'>;
	/** What the person had before them when they began to change it. */
	// svelte-ignore state_referenced_locally
	let seen: Reason = { purpose: visit.purpose, inverterSays: visit.inverterSays };
	const meanings = $derived(meaningsOf(says));
	const minutes = (seconds: number) => Math.max(1, Math.round(seconds / 60));

	/** Items of one quantity are one line: "A1 to B4". */
	function lines(items: readonly PlanItem[]) {
		const groups: { quantity: PlanItem['quantity']; items: PlanItem[] }[] = [];
		for (const item of items) {
			const group = groups.find(({ quantity }) => quantity === item.quantity);
			if (group) group.items.push(item);
			else groups.push({ quantity: item.quantity, items: [item] });
		}
		return groups;
	}
	const named = (items: readonly PlanItem[]) =>
		labelRanges(
			record,
			items.map(({ place }) => placeWords(record, place))
		);

	async function store(): Promise<void> {
		const inverterSays = joinMessage(shownBy, says);
		const answer = await sendJson<Reason & { standing?: Reason }>(`/visits/${visit.id}/purpose`, {
			purpose,
			inverterSays,
			seen
		});
		problem = answer.ok ? '' : answer.words;
		const stands = answer.ok ? answer.body : answer.body?.standing;
		if (!stands) return;
		seen = { purpose: stands.purpose, inverterSays: stands.inverterSays };
		session.setPurpose(stands.purpose, stands.inverterSays);
	}
</script>

<svelte:head><title>Plan · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Plan of the visit</h1>
	<p class="soft lead">
		What to measure where, so that each cover is opened and the roof climbed once. It is made anew
		as readings come in.
	</p>
	<div class="columns">
		<div>
			{#each plan.blocks as { task, stops, seconds }, b (task)}
				<section>
					<h2>
						<span class="number">{b + 1}</span>{speak(taskName(task))}
						<span class="soft">{seconds > 0 ? `about ${minutes(seconds)} min` : 'all read'}</span>
					</h2>
					{#each stops as { title, where, items } (title)}
						<div class="stop">
							<p>
								<strong>{title}</strong>
								{#if where}<span class="soft">{where}</span>{/if}
							</p>
							<ul>
								{#each lines(items) as { quantity, items: some } (`${quantity}/${some[0]!.key}`)}
									{@const done = some.filter((item) => item.done).length}
									<li>
										<a
											href="{resolve('/visits/[visit]/measurements', {
												visit: visit.id
											})}?quantity={quantity}&place={some.find((item) => !item.done)?.key ??
												some[0]!.key}"
										>
											<span class="what"
												>{QUANTITY_FACTS[quantity].words}:
												<span class="figure">{named(some)}</span></span
											>
											<span class="soft why">{some[0]!.why}. {QUANTITY_FACTS[quantity].meter}.</span
											>
											<span class="figure done">{done} / {some.length}</span>
										</a>
									</li>
								{/each}
							</ul>
						</div>
					{/each}
				</section>
			{:else}
				<p>Nothing to measure: the record holds no strings yet.</p>
			{/each}
		</div>
		<aside>
			<section class="panel says">
				<label for="purpose">Why you come</label>
				<select id="purpose" class="bare" bind:value={purpose} onchange={store}>
					{#each PURPOSES as name (name)}<option value={name}>{PURPOSE_WORDS[name]}</option>{/each}
				</select>
				{#if inverters.length > 1}
					<label for="shown-by">Inverter that displays a message</label>
					<select id="shown-by" class="bare" bind:value={shownBy} onchange={store}>
						<option value="">Not stated</option>
						{#each inverters as { id, mark, place } (id)}
							<option value={mark}>{mark}{place ? `, ${place}` : ''}</option>
						{/each}
					</select>
				{/if}
				<label for="says">Message displayed</label>
				<textarea
					id="says"
					rows="2"
					maxlength="400"
					placeholder="As on its display or app"
					bind:value={says}
					onchange={store}></textarea>
				{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
				{#each meanings as { id, title, words, firstTest, caution } (id)}
					<article>
						<h3>{title}</h3>
						<p>{words}</p>
						<p><strong>First:</strong> {firstTest}</p>
						<p class="caution">{caution}</p>
					</article>
				{:else}
					{#if says.trim() !== ''}
						<p class="soft">No word of this is known here. It stands in the report as it is.</p>
					{/if}
				{/each}
			</section>
			<p class="sum">
				<strong class="figure">{minutes(plan.seconds)}</strong> min left, roughly, making safe included
			</p>
			<a class="act" href={resolve('/visits/[visit]/isolation', { visit: visit.id })}
				>Isolation<ArrowRight size={20} aria-hidden="true" /></a
			>
			<p class="soft">
				{count(session.assessment.places.filter(isRead).length, 'reading')} of strings stand.
			</p>
		</aside>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.columns {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 22rem;
		gap: 2rem;
		align-items: start;
		margin-top: 1rem;
	}

	h2 {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0.6rem;
		font-size: 1.2rem;
		padding: 0.7rem 0 0.3rem;
		border-top: var(--stroke) solid var(--rule);
	}

	h2 .soft {
		font-size: 0.95rem;
		font-weight: 400;
		margin-inline-start: auto;
	}

	.number {
		display: grid;
		place-items: center;
		width: 1.9rem;
		height: 1.9rem;
		border-radius: 50%;
		background: var(--ink);
		color: var(--paper);
		font-size: 1rem;
	}

	.stop {
		padding: 0.3rem 0 0.6rem 2.5rem;
	}

	li a {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: center;
		gap: 0 1rem;
		min-height: 48px;
		padding: 0.25rem 0.5rem;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
	}

	li a:hover {
		background: var(--lit);
	}

	.why {
		grid-column: 1;
		font-size: 0.92rem;
	}

	.done {
		grid-column: 2;
		grid-row: 1 / span 2;
	}

	aside {
		display: grid;
		gap: 0.9rem;
	}

	.says {
		display: grid;
		gap: 0.4rem;
		padding: 1rem 1.1rem;
	}

	.says label {
		font-weight: 600;
	}

	textarea {
		width: 100%;
		padding: 0.5rem 0.7rem;
		background: var(--paper);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		color: var(--ink);
	}

	article {
		display: grid;
		gap: 0.3rem;
		padding-top: 0.6rem;
		border-top: 1px solid var(--line);
		line-height: 1.4;
	}

	h3 {
		font-size: 1.05rem;
	}

	.caution {
		border-inline-start: 5px solid var(--look);
		padding-inline-start: 0.7rem;
	}

	.sum .figure {
		font-size: 1.5rem;
	}

	@media (max-width: 1000px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}

		.stop {
			padding-inline-start: 0;
		}
	}
</style>
