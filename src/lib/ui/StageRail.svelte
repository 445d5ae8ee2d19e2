<script lang="ts">
	import { isRead, verdictAt } from '$core/assessment';
	import { centreCurrent } from './centre-current';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { isAcBranch } from '$core/record';
	import { inspectionOf, outcomeOfStop } from '$core/inspection';
	import { currentSafetyEntries, makingSafe, OWN_PROCEDURE } from '$core/isolation';
	import { itemsOf } from '$core/visit-plan';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { count } from '../text/format';

	let { session }: { session: VisitSession } = $props();

	type StageState = 'untouched' | 'begun' | 'needs' | 'proved';
	const STATE_WORDS: Readonly<Record<StageState, string>> = {
		untouched: 'not begun',
		begun: 'begun',
		needs: 'needs something',
		proved: 'done'
	};

	const visit = $derived(session.document.visit.id);
	/** Branches of AC have no volts and amps of their own. */
	const branches = $derived(
		new Set(session.document.record.strings.filter(isAcBranch).map(({ id }) => id))
	);
	const wanted = $derived(
		session.assessment.places.filter(
			({ quantity, stringId }) => quantity !== 'short-circuit-current' && !branches.has(stringId)
		)
	);
	const read = $derived(wanted.filter(isRead).length);
	const repaired = $derived(
		session.document.visit.repairs.length > 0
			? `${session.document.visit.repairs.length} done`
			: 'and verify'
	);
	const faulty = $derived(session.suspects.size > 0);

	const inspected = $derived.by((): { note: string; state: StageState } => {
		const { record, inspection } = session.document;
		const stops = inspectionOf(record, inspection).flatMap((segment) => segment.stops);
		const answered = stops.map(outcomeOfStop).filter((outcome) => outcome !== null);
		const findings = answered.filter((outcome) => outcome === 'finding').length;
		if (answered.length === 0) return { note: 'item by item', state: 'untouched' };
		return {
			note: findings > 0 ? count(findings, 'finding') : `${answered.length} of ${stops.length}`,
			state: answered.length < stops.length ? 'begun' : 'proved'
		};
	});

	const planned = $derived.by(() => {
		const open = itemsOf(session.plan).filter(({ done }) => !done);
		return open.length > 0 ? `${open.length} to read` : 'all read';
	});

	const safe = $derived.by((): { note: string; state: StageState } => {
		const { record, visit: entered } = session.document;
		if (currentSafetyEntries(entered.safety).has(OWN_PROCEDURE)) {
			return { note: 'own procedure', state: 'begun' };
		}
		const { arrival, down, phase } = makingSafe(
			record,
			entered,
			session.places,
			'open-live',
			() => session.now
		);
		const steps = [...arrival, ...down];
		const done = steps.filter(({ state }) => state === 'done').length;
		if (phase === 'up') return { note: 'going back on', state: 'begun' };
		if (done === 0) return { note: 'step by step', state: 'untouched' };
		return {
			note: `${done} of ${steps.length}`,
			state: done < steps.length ? 'begun' : 'proved'
		};
	});
	const failed = $derived(
		session.assessment.places.filter((place) => verdictAt(place) === 'fail').length +
			session.assessment.limits.filter(({ verdict }) => verdict === 'fail').length
	);

	const stages = $derived([
		{
			words: 'Array record',
			note: count(session.document.record.strings.length, 'string'),
			href: resolve('/sites/[site]/array-record', { site: session.document.site.id }),
			state: (session.document.record.strings.length > 0 ? 'proved' : 'needs') as StageState
		},
		{
			words: 'Inspection',
			note: inspected.note,
			href: resolve('/visits/[visit]/inspection', { visit }),
			state: inspected.state
		},
		{
			words: 'Test plan',
			note: planned,
			href: resolve('/visits/[visit]/test-plan', { visit }),
			state: 'untouched' as StageState
		},
		{
			words: 'Isolation',
			note: safe.note,
			href: resolve('/visits/[visit]/isolation', { visit }),
			state: safe.state
		},
		{
			words: 'Test conditions',
			note: session.document.visit.conditions.length > 0 ? 'recorded' : 'not recorded',
			href: resolve('/visits/[visit]/test-conditions', { visit }),
			state: (session.document.visit.conditions.length > 0 ? 'proved' : 'needs') as StageState
		},
		{
			words: 'Measurements',
			note: `${read} of ${wanted.length}`,
			href: resolve('/visits/[visit]/measurements', { visit }),
			state: (read === 0 ? 'untouched' : read < wanted.length ? 'begun' : 'proved') as StageState
		},
		{
			words: 'Comparison',
			note: failed > 0 ? `${failed} fail` : 'at a glance',
			href: resolve('/visits/[visit]/comparison', { visit }),
			state: (failed > 0 ? 'needs' : 'untouched') as StageState
		},
		{
			words: 'Diagnosis',
			note: faulty ? count(session.suspects.size, 'string') : 'causes',
			href: resolve('/visits/[visit]/diagnosis', { visit }),
			state: (faulty ? 'needs' : 'untouched') as StageState
		},
		{
			words: 'Repair',
			note: repaired,
			href: resolve('/visits/[visit]/repair', { visit }),
			state: (session.document.visit.repairs.length > 0 ? 'begun' : 'untouched') as StageState
		},
		{
			words: 'Report',
			note: 'page and file',
			href: resolve('/visits/[visit]/report', { visit }),
			state: 'untouched' as StageState
		}
	]);
	const here = $derived(page.url.pathname);
	let line = $state<HTMLElement>();
	$effect(() => {
		void here;
		centreCurrent(line);
	});
</script>

<nav class="rail no-print" aria-label="Stages of the visit">
	<ol bind:this={line}>
		{#each stages as { words, note, href, state } (words)}
			<li>
				<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
				<a {href} aria-current={here === href ? 'page' : undefined}>
					<svg viewBox="0 0 20 20" aria-hidden="true" data-state={state}>
						<circle cx="10" cy="10" r="6.5" class="ring" />
						{#if state === 'proved'}<circle cx="10" cy="10" r="6.5" class="full" />
						{:else if state === 'begun'}<path d="M10 3.5A6.5 6.5 0 0 0 10 16.5Z" class="full" />
						{:else if state === 'needs'}<path d="M10 5.5V11M10 13.2V15" class="bang" />{/if}
					</svg>
					<span class="words">{words}<span class="sr-only">, {STATE_WORDS[state]}</span></span>
					<span class="note">{note}</span>
				</a>
			</li>
		{/each}
	</ol>
</nav>

<style>
	.rail {
		border-inline-end: 1px solid var(--line);
		padding: 1.25rem 0 1rem 0.75rem;
	}

	li {
		position: relative;
	}

	/* One line through all stops, as a string through its modules. */
	li:not(:last-child)::after {
		content: '';
		position: absolute;
		left: 18px;
		top: 32px;
		bottom: -12px;
		border-inline-start: var(--stroke) solid var(--rule);
	}

	a {
		display: grid;
		grid-template-columns: 22px 1fr;
		gap: 0 0.7rem;
		align-items: center;
		min-height: 58px;
		padding: 0.3rem 0.5rem 0.3rem 0.5rem;
		color: var(--ink);
		text-decoration: none;
		border-radius: 3px 0 0 3px;
	}

	a:hover .words {
		text-decoration: underline;
	}

	a[aria-current] {
		background: var(--ink);
		color: var(--paper);
	}

	a[aria-current] .ring {
		fill: none;
		stroke: var(--paper);
	}

	a[aria-current] .full {
		fill: var(--paper);
	}

	a[aria-current] .bang {
		stroke: var(--paper);
	}

	svg {
		width: 22px;
		position: relative;
		z-index: 1;
		grid-row: span 2;
	}

	.ring {
		fill: var(--paper);
		stroke: var(--ink);
		stroke-width: 2;
	}

	.full {
		fill: var(--ink);
	}

	.bang {
		stroke: var(--off);
		stroke-width: 2.4;
	}

	.words {
		font-weight: 650;
		line-height: 1.1;
		align-self: end;
	}

	.note {
		font-size: 0.85rem;
		line-height: 1.1;
		align-self: start;
		opacity: 0.85;
	}

	@media (min-width: 901px) {
		ol {
			position: sticky;
			top: 0;
		}
	}

	@media (max-width: 900px) {
		.rail {
			border: 0;
			border-bottom: 1px solid var(--line);
			padding: 0;
		}

		/* A slim line that is swiped; the stage one is at stands in sight. */
		ol {
			display: flex;
			overflow-x: auto;
			scrollbar-width: none;
		}

		li {
			flex: 1 0 4.4rem;
		}

		li:not(:last-child)::after {
			display: none;
		}

		a {
			grid-template-columns: 1fr;
			justify-items: center;
			min-height: 54px;
			padding: 0.35rem 0.1rem;
			border-radius: 0;
			text-align: center;
		}

		svg {
			grid-row: auto;
			width: 16px;
		}

		.words {
			font-size: 0.74rem;
		}

		.note {
			display: none;
		}
	}
</style>
