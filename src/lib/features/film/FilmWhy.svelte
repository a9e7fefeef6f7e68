<h2 class="mt-5 mb-2">What a film tells</h2>
<p>
	Sideways to a hand’s breadth, and the true motion, which the aircraft’s own log hides; toward and away less well,
	unless the phone lies flat below it. It says which way it circles.
</p>
<p class="text-ink-2">Refused rather than guessed: where it was lost, shook, or had nothing to stand out from.</p>
