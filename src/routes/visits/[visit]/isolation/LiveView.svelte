<script lang="ts">
	import { type ArrayRecord, labelRanges } from '$core/record';
	import StringDrawing from '$lib/ui/StringDrawing.svelte';
	import type { LiveSegment, LiveString } from '$core/isolation';
	import { ui } from '$lib/messages/interface-messages';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		record: ArrayRecord;
		live: readonly LiveString[];
	}
	let { record, live }: Props = $props();

	const SEGMENTS = ['modules', 'bus', 'end'] as const;
	const label = (id: string) => record.strings.find((string) => string.id === id)?.label ?? '?';
	const voltage = ({ voltage: v }: LiveSegment) => (v === null ? '' : `${Math.round(v)} V`);

	/** Neighbours in the same state are one row, so that a hundred strings stay readable. */
	const rows = $derived.by(() => {
		const groups: { labels: string[]; one: LiveString; key: string }[] = [];
		for (const one of live) {
			const key = JSON.stringify({ ...one, stringId: '' });
			const last = groups.at(-1);
			if (last?.key === key) last.labels.push(label(one.stringId));
			else groups.push({ labels: [label(one.stringId)], one, key });
		}
		return groups;
	});
	const segmentsOf = (one: LiveString) =>
		SEGMENTS.flatMap((name) => {
			const segment = one[name];
			return segment ? [{ name, segment }] : [];
		});
	const named = (labels: readonly string[]) => labelRanges(record, labels);
</script>

<section class="panel" aria-label={speak(ui('live-view.title'))}>
	<h2>{speak(ui('live-view.title'))}</h2>
	{#if live.length === 0}
		<p class="soft">{speak(ui('live-view.no-strings'))}</p>
	{/if}
	{#each rows as { labels, one } (labels[0])}
		{@const string = record.strings.find(({ id }) => id === one.stringId)}
		<div class="string">
			<span class="name figure">{named(labels)}</span>
			{#if string}
				<StringDrawing
					modules={string.moduleCount}
					fuse={string.fuse}
					devices={string.devices}
					blockingDiode={string.blockingDiode}
					room={230}
				/>
			{/if}
			<ol>
				{#each segmentsOf(one) as { name, segment } (name)}
					<li data-live={segment.state}>
						<svg viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden="true">
							<path d="M0 7H100" />
						</svg>
						<span class="soft">{speak(ui(`live-view.${name}`))}</span>
						<strong
							>{speak(ui(`live-state.${segment.state}`))}
							<span class="figure">{voltage(segment)}</span></strong
						>
						<span class="why">{speak(segment.why)}</span>
					</li>
				{/each}
			</ol>
		</div>
	{/each}
	<p class="soft foot">
		{speak(ui('live-view.foot'))}
	</p>
</section>

<style>
	section {
		padding: 0.9rem 1.1rem;
	}

	h2 {
		font-size: 1.1rem;
		margin-bottom: 0.4rem;
	}

	.string {
		padding: 0.5rem 0;
		border-top: 1px solid var(--line);
	}

	.name {
		font-weight: 650;
	}

	ol {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(6rem, 1fr));
	}

	li {
		display: grid;
		padding-inline-end: 0.5rem;
		line-height: 1.3;
		align-content: start;
	}

	li span,
	.foot {
		font-size: 0.9rem;
	}

	svg {
		width: 100%;
		height: 14px;
	}

	path {
		stroke: var(--ink);
		stroke-width: 2;
		vector-effect: non-scaling-stroke;
	}

	/* Told by the line's shape, not by its colour alone: thick is live, dashed not proved, thin read dead. */
	[data-live='live'] path {
		stroke: var(--off);
		stroke-width: 7;
	}

	[data-live='charged'] path,
	[data-live='open'] path {
		stroke: var(--look);
		stroke-width: 5;
		stroke-dasharray: 10 6;
	}

	[data-live='live'] strong {
		color: var(--off);
	}

	[data-live='charged'] strong,
	[data-live='open'] strong {
		color: var(--look);
	}

	.why {
		color: var(--soft);
	}
</style>
