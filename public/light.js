// Before the first paint, so that a page never flashes in the other light.
const chosen = localStorage.getItem('belltag-light');
if (chosen === 'ink' || chosen === 'paper') document.documentElement.dataset.theme = chosen;
