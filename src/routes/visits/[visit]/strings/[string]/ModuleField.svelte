<script lang="ts">
	import type { IrradianceChange } from '$core/faults';

	interface Props {
		modules: number;
		sections: number;
		lights: readonly IrradianceChange[];
		/** Where the fault sits, and whether in a section, a module or the joint above it. */
		faultAt: { readonly module: number; readonly section: number | null } | null;
		chosen: number;
		onchoose: (module: number) => void;
	}
	let { modules, sections: substrings, lights, faultAt, chosen, onchoose }: Props = $props();

	/** Later changes stand over earlier ones. */
	const irradianceOf = (module: number, substring: number) =>
		lights.findLast(
			(change) =>
				change.module === module && (change.section === null || change.section === substring)
		)?.light ?? 1;
	const wordsOf = (module: number) => {
		const shares = Array.from({ length: substrings }, (_, s) =>
			Math.round(100 * irradianceOf(module, s))
		);
		const dim = shares.some((share) => share < 100) ? `, light ${shares.join(', ')} %` : '';
		return `Module ${module + 1}${dim}${faultAt?.module === module ? ', fault here' : ''}`;
	};
</script>

<fieldset>
	<legend>Modules, from the negative end</legend>
	<div class="field">
		{#each { length: modules } as _, m (m)}
			<button
				type="button"
				class:chosen={chosen === m}
				aria-pressed={chosen === m}
				aria-label={wordsOf(m)}
				onclick={() => onchoose(m)}
			>
				<svg viewBox="0 0 30 {substrings * 10}" aria-hidden="true">
					{#each { length: substrings } as _, s (s)}
						<rect x="1" y={s * 10 + 1} width="28" height="8" class="glass" />
						<rect
							x="1"
							y={s * 10 + 1}
							width={28 * (1 - irradianceOf(m, s))}
							height="8"
							class="shade"
						/>
					{/each}
					{#if faultAt?.module === m}
						{@const y = faultAt.section === null ? substrings * 5 : faultAt.section * 10 + 5}
						<path d="M9 {y - 5}l12 10M21 {y - 5}l-12 10" class="fault" />
					{/if}
				</svg>
				<span class="figure">{m + 1}</span>
			</button>
		{/each}
	</div>
</fieldset>

<style>
	legend {
		font-weight: 600;
		margin-bottom: 0.35rem;
	}

	.field {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(44px, 1fr));
		gap: 4px;
	}

	button {
		display: grid;
		justify-items: center;
		gap: 2px;
		min-height: 62px;
		padding: 6px 4px 3px;
		border: var(--stroke) solid transparent;
		border-radius: 3px;
		font-size: 0.92rem;
	}

	button.chosen {
		border-color: var(--accent);
		background: var(--lit);
	}

	svg {
		width: 30px;
		height: auto;
		overflow: visible;
	}

	.glass {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 1.2;
	}

	.shade {
		fill: var(--ink);
	}

	.fault {
		fill: none;
		stroke: var(--off);
		stroke-width: 2.6;
	}
</style>
