<script lang="ts">
	import { type ArrayRecord, MODULE_STATE_WORDS, PART_NAMES, pathOfModule } from '$core/record';
	import PartSymbol from '$lib/ui/PartSymbol.svelte';
	import StringMark from '$lib/ui/StringMark.svelte';
	import type { StringColour } from '$lib/ui/string-colours';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		record: ArrayRecord;
		stringId: string;
		/** Null where a whole string is chosen. */
		module: number | null;
		colours: ReadonlyMap<string, StringColour>;
		findings: readonly string[];
	}
	let { record, stringId, module, colours, findings }: Props = $props();
	const path = $derived(pathOfModule(record, stringId, module ?? 1));
	const detail = $derived(path?.string.modules.find(({ number }) => number === module));
	/** From the combiner to the inverter; what follows is the AC side. */
	const toEnd = $derived.by(() => {
		if (!path) return [];
		const { parts, end } = path;
		if (!end) return parts;
		const at = parts.indexOf(end);
		return at < 0 ? [...parts, end] : parts.slice(0, at + 1);
	});
	const beyond = $derived(path ? path.parts.slice(toEnd.length).map(({ mark }) => mark) : []);
	const device = $derived.by(() => {
		const devices = path?.string.devices;
		if (!devices || devices === 'unknown') return null;
		const type = record.parts.find(({ id }) => id === devices.part);
		return `${type?.mark ?? devices.kind}${devices.modulesPerDevice === 2 ? ', shared by two' : ''}`;
	});
</script>

{#if path}
	<section class="panel" aria-label="Where does this go">
		<h2>Where does this go</h2>
		<ol>
			<li>
				<StringMark label={path.string.label} colour={colours.get(stringId)!} />
				<span
					>{module === null ? `${path.string.moduleCount} modules` : `module ${module}`}
					{#if detail?.serial}<span class="figure soft">{detail.serial}</span>{/if}
					{#if detail?.state}<span class="soft">{MODULE_STATE_WORDS[detail.state]}</span>{/if}</span
				>
			</li>
			{#if device}<li><span class="soft">behind it</span><span>{device}</span></li>{/if}
			{#each toEnd as part (part.id)}
				<li title={speak(PART_NAMES[part.kind])}>
					<PartSymbol kind={part.kind} />
					<span><strong>{part.mark}</strong><span class="soft">{part.place ?? ''}</span></span>
				</li>
			{/each}
			<li class="ends-at">
				{path.input === null ? 'Its input is not known yet' : `input ${path.input}`}
			</li>
		</ol>
		{#if beyond.length > 0}<p class="soft">Then, on the AC side: {beyond.join(', ')}.</p>{/if}
		{#each findings as words (words)}<p class="found">{words}</p>{/each}
	</section>
{/if}

<style>
	section {
		padding: 0.9rem 1.1rem;
		margin-bottom: 1rem;
	}

	h2 {
		font-size: 1.05rem;
		margin-bottom: 0.3rem;
	}

	ol {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0;
	}

	li {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 36px;
	}

	li > span:last-child:not(:only-child) {
		display: grid;
		line-height: 1.2;
	}

	li .soft {
		font-size: 0.86rem;
	}

	li:not(:last-child)::after {
		content: '→';
		padding-inline: 0.5rem 0.6rem;
		color: var(--soft);
	}

	.ends-at {
		font-weight: 650;
	}

	.found {
		border-inline-start: 5px solid var(--off);
		padding-inline-start: 0.6rem;
		margin-top: 0.5rem;
	}
</style>
