<script lang="ts">
	import { blockingEffect, FULL_SUN_HOURS, shortedBranches } from '$core/bench';
	import { FUSE_DOES, type ConfigurationQuery } from './configuration-query';

	let { asked }: { asked: ConfigurationQuery } = $props();
	const shorted = $derived(shortedBranches(asked.mix, asked.parts, asked.fuse));
	const diodes = $derived(shorted.length > 0 ? blockingEffect(asked.mix, asked.parts) : null);
</script>

{#if diodes}
	<h2>If a string is shorted</h2>
	<ul class="lines">
		{#each shorted as { branch, current, fuse, opensFrom, unprotected } (branch)}
			<li>
				String {branch}: the other strings feed {current.toFixed(1)} A into it.
				{#if fuse !== null}A fuse of {asked.fuse} A: {FUSE_DOES[fuse]}{opensFrom === null
						? ''
						: `, from ${opensFrom.toFixed(0)} W/m² on`}.{:else if unprotected !== null}The maximum
					series fuse of its modules is {unprotected} A: it needs a fuse.{:else}No fuse.{/if}
			</li>
		{/each}
	</ul>
	<p>
		{#if diodes.lossADay >= 0}
			Blocking diodes cost {(diodes.without - diodes.withDiode).toFixed(0)} W here, about
			{diodes.lossADay.toFixed(2)} kWh a day of {FULL_SUN_HOURS} full-sun hours.
		{:else}
			Blocking diodes gain {(diodes.withDiode - diodes.without).toFixed(0)} W here: without them one string
			draws power from the others.
		{/if}
		Without them a dark string draws {diodes.darkMeasurements.toFixed(1)} A while the others work and
		{diodes.darkMeasurementsIdle.toFixed(1)} A while nothing is drawn. A diode never replaces a fuse;
		a bypass diode is another part.
	</p>
	<details>
		<summary>How it is known</summary>
		<p class="soft">
			A short is fed by the short-circuit currents of all others at this irradiance. A gPV fuse
			surely opens within the hour at 1.45 times its rating and holds 1.13 times (IEC 60269-6, not
			verified); in between nothing is certain. A fuse is needed where the others exceed the
			modules’ maximum series fuse (NEC 690.9(A), IEC 62548-1, not verified).
		</p>
	</details>
{/if}
