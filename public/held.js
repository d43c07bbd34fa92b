// A page is seen before its islands answer, and its forms before their script does. What is pressed or typed in one of
// them until then is held, and done once it answers: nothing is lost, and no form goes out by itself with what was
// typed in its address. What awaits a script of its page says so by `data-awaits`; see src/ui/answers.ts.
(() => {
  const WAITING = 'astro-island[ssr], [data-awaits]';
  const TYPED = 'input:not([type=checkbox], [type=radio], [type=button], [type=submit]), textarea, select';
  /** By island, in their order: what was typed last in each field, and what was pressed, each once. */
  const typed = new WeakMap();
  const pressed = new WeakMap();

  const islandOf = ({ target }) => (target instanceof Element ? target.closest(WAITING) : null);
  const of = (kept, island, none) => kept.get(island) ?? kept.set(island, none).get(island);

  function holdPress(event, what) {
    const island = islandOf(event);
    if (!island) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    of(pressed, island, new Map()).set(event.target, what);
    event.target.setAttribute('aria-busy', 'true');
  }

  addEventListener(
    'click',
    (event) => {
      // Links lead on without an island, and a field only takes the focus.
      if (event.target instanceof Element && event.target.closest(`a[href], ${TYPED}`)) return;
      holdPress(event, (target) => target.click());
    },
    true,
  );
  // What is a button in all but its name makes no press of a key by itself.
  addEventListener(
    'keydown',
    (event) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      if (event.target instanceof Element && event.target.matches('[role=button]:not(button)'))
        holdPress(event, (target) => target.click());
    },
    true,
  );
  addEventListener('submit', (event) => holdPress(event, (form) => form.requestSubmit()), true);
  addEventListener(
    'input',
    (event) => {
      const island = islandOf(event);
      if (island && event.target.matches(TYPED)) of(typed, island, new Map()).set(event.target, event.target.value);
    },
    true,
  );

  const tell = (field, type) => field.dispatchEvent(new Event(type, { bubbles: true }));

  /** As if it were typed now: the island has taken what stood in the field for what it was given. */
  function typeAnew(field, value) {
    const chosen = field.matches('select, [type=file]');
    // The first event makes the island take hold of the field. A file that was chosen stays chosen; nobody sets it.
    tell(field, chosen ? 'change' : 'input');
    if (!field.isConnected || field.matches('[type=file]')) return;
    const { set } = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value');
    if (!chosen) field.value = '';
    set.call(field, value);
    tell(field, chosen ? 'change' : 'input');
  }

  function done({ target: island }) {
    for (const [field, value] of typed.get(island) ?? []) typeAnew(field, value);
    for (const [target, press] of pressed.get(island) ?? []) {
      target.removeAttribute('aria-busy');
      if (target.isConnected) press(target);
    }
    typed.delete(island);
    pressed.delete(island);
  }

  addEventListener('astro:hydrate', done, true);
  addEventListener('answers', done, true);
})();
