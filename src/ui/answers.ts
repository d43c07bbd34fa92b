/** Says that a part of a page that awaited its script is listened to now: what was pressed in it is done. */
export function answers(part: Element): void {
  part.removeAttribute('data-awaits');
  part.dispatchEvent(new Event('answers'));
}
