<p class="p-6">Preferences are set from the bar above.</p>
