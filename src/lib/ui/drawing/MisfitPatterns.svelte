<!-- What fills the parts of a drawing that are colder or warmer than they should be: told apart in grey, too. -->
<defs>
	<pattern id="cold" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
		<rect width="7" height="7" class="cold-ground" />
		<line x1="1.5" y1="0" x2="1.5" y2="7" class="cold-line" />
	</pattern>
	<pattern id="warm" width="6" height="6" patternUnits="userSpaceOnUse">
		<circle cx="2" cy="2" r="1.3" class="warm-dot" />
	</pattern>
</defs>

<style>
	.cold-ground {
		fill: var(--signal);
		opacity: 0.12;
	}
	.cold-line {
		stroke: var(--signal);
		stroke-width: 2;
	}
	.warm-dot {
		fill: var(--warm);
	}
</style>
