<!-- The raven of Corvan. -->
<svg viewBox="0 0 32 32" width="20" height="20" aria-hidden="true">
	<path
		d="M3 19c6 0 8-10 16-10 2 0 3 1 5 1l5 2-4 2c-1 6-6 10-13 10-4 0-7-2-9-5z"
		fill="currentColor"
	/>
</svg>
