const PLACES = ['countries', 'data-places'];

/** What a need is chosen from follows its kind: places for where a tool is sold or keeps data. */
export function places(document) {
  document.addEventListener('change', (event) => {
    const kind = event.target.closest('select[data-kind]');
    const what = kind?.closest('tr').querySelector('input[list]');
    what?.setAttribute('list', PLACES.includes(kind.value) ? 'places' : 'capabilities');
  });
}
