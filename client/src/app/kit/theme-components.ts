/** What single parts of the library look like, in its own tokens; what they share stands in the theme. */

/** Both themes follow our own custom properties, so one scheme holds for both. */
const both = <T>(scheme: T): { readonly colorScheme: { readonly light: T; readonly dark: T } } => ({
  colorScheme: { light: scheme, dark: scheme },
});

/** A message stands on the page; what it means is told by the line beside it. */
const onPage = { background: 'var(--shade)', borderColor: 'transparent', color: 'var(--ink)', shadow: 'none' };

export const COMPONENTS = {
  button: {
    root: { borderRadius: '2px', paddingX: '16px', paddingY: '10px', gap: '8px', iconOnlyWidth: '44px' },
    ...both({
      text: {
        secondary: { color: 'var(--ink)', hoverBackground: 'var(--shade)', activeBackground: 'var(--shade)' },
      },
    }),
  },
  checkbox: {
    root: { width: '22px', height: '22px', borderRadius: '2px', borderColor: 'var(--ink-soft)' },
  },
  datatable: {
    headerCell: { background: 'transparent', color: 'inherit', selectedBackground: 'transparent' },
    row: { background: 'transparent', color: 'inherit' },
    sortIcon: { size: '10px', color: 'var(--line)' },
    ...both({ root: { borderColor: 'var(--line-soft)' } }),
  },
  dialog: { title: { fontSize: 'var(--text-xl)', fontWeight: '600' } },
  drawer: { title: { fontSize: 'var(--text-xl)', fontWeight: '600' } },
  message: {
    root: { borderWidth: '0', borderRadius: '0' },
    content: { padding: '0' },
    ...both({ error: onPage, secondary: onPage }),
  },
  progressbar: {
    root: { height: '8px', borderRadius: '0' },
    value: { background: 'var(--copper)' },
    ...both({ root: { background: 'var(--line-soft)' } }),
  },
  selectbutton: { root: { borderRadius: '0' } },
  skeleton: { root: { borderRadius: '0' }, ...both({ root: { background: 'var(--line-soft)' } }) },
  toast: {
    root: { borderWidth: '1px', borderRadius: '2px' },
    content: { padding: '0 0 0 12px', gap: '8px' }, // as high as its buttons, which is as high as the bar
    ...both({
      secondary: {
        background: 'var(--ink)',
        borderColor: 'var(--ink)',
        color: 'var(--paper)',
        shadow: 'none',
      },
    }),
  },
  // the mark of the chosen one lies along the foot of its whole button: the content fills it
  togglebutton: {
    root: { padding: '0', fontWeight: '400', checkedBackground: 'var(--copper-wash)', checkedColor: 'var(--ink)' },
    content: { padding: '10px 12px', checkedShadow: 'inset 0 -3px 0 var(--copper)' },
    ...both({ root: { hoverBackground: 'var(--shade)' } }),
  },
};
