import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/nora/base';
import autocomplete from '@primeuix/themes/nora/autocomplete';
import badge from '@primeuix/themes/nora/badge';
import button from '@primeuix/themes/nora/button';
import checkbox from '@primeuix/themes/nora/checkbox';
import chip from '@primeuix/themes/nora/chip';
import datatable from '@primeuix/themes/nora/datatable';
import dialog from '@primeuix/themes/nora/dialog';
import drawer from '@primeuix/themes/nora/drawer';
import inputtext from '@primeuix/themes/nora/inputtext';
import menu from '@primeuix/themes/nora/menu';
import message from '@primeuix/themes/nora/message';
import progressbar from '@primeuix/themes/nora/progressbar';
import select from '@primeuix/themes/nora/select';
import selectbutton from '@primeuix/themes/nora/selectbutton';
import skeleton from '@primeuix/themes/nora/skeleton';
import textarea from '@primeuix/themes/nora/textarea';
import toast from '@primeuix/themes/nora/toast';
import togglebutton from '@primeuix/themes/nora/togglebutton';
import virtualscroller from '@primeuix/themes/nora/virtualscroller';
import { COMPONENTS } from './theme-components';

const COPPER = {
  50: '#fbf3ee',
  100: '#f6e4d9',
  200: '#ecc6b0',
  300: '#e1a686',
  400: '#e08a58',
  500: '#a34a1f',
  600: '#943f18',
  700: '#7a3414',
  800: '#5f2910',
  900: '#451d0b',
  950: '#2b1207',
};

const scheme = {
  surface: {
    0: 'var(--sheet)',
    50: 'var(--shade)',
    100: 'var(--shade)',
    200: 'var(--line-soft)',
    300: 'var(--line)',
    400: 'var(--line)',
    500: 'var(--ink-soft)',
    600: 'var(--ink-soft)',
    700: 'var(--ink)',
    800: 'var(--ink)',
    900: 'var(--ink)',
    950: 'var(--ink)',
  },
  primary: {
    color: 'var(--copper)',
    contrastColor: 'var(--copper-ink)',
    hoverColor: 'var(--copper)',
    activeColor: 'var(--copper)',
  },
  text: { color: 'var(--ink)', hoverColor: 'var(--ink)', mutedColor: 'var(--ink-soft)', hoverMutedColor: 'var(--ink)' },
  content: {
    background: 'var(--sheet)',
    hoverBackground: 'var(--shade)',
    borderColor: 'var(--line)',
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
  },
  highlight: {
    background: 'var(--copper-wash)',
    focusBackground: 'var(--copper-wash)',
    color: 'var(--ink)',
    focusColor: 'var(--ink)',
  },
  formField: {
    background: 'var(--sheet)',
    borderColor: 'var(--line)',
    color: 'var(--ink)',
    hoverBorderColor: 'var(--ink-soft)',
    focusBorderColor: 'var(--copper)',
    invalidBorderColor: 'var(--outside)',
    placeholderColor: 'var(--ink-soft)',
    iconColor: 'var(--ink-soft)',
  },
  overlay: {
    select: { background: 'var(--sheet)', borderColor: 'var(--line)', color: 'var(--ink)' },
    modal: { background: 'var(--sheet)', borderColor: 'var(--line)', color: 'var(--ink)' },
  },
};

/** The library’s own measures for the parts that are used; the whole set would be loaded with the first screen. */
const USED = {
  ...base,
  components: {
    autocomplete,
    badge,
    button,
    checkbox,
    chip,
    datatable,
    dialog,
    drawer,
    inputtext,
    menu,
    message,
    progressbar,
    select,
    selectbutton,
    skeleton,
    textarea,
    toast,
    togglebutton,
    virtualscroller,
  },
};

/** The drafting table in the library's tokens: both themes follow our own custom properties. */
export const DRAFTING = definePreset(USED, {
  primitive: { borderRadius: { none: '0', xs: '1px', sm: '2px', md: '2px', lg: '2px', xl: '2px' } },
  semantic: {
    primary: COPPER,
    formField: { paddingX: '12px', paddingY: '10px', borderRadius: '2px' },
    list: { option: { padding: '11px 12px' } },
    navigation: { item: { padding: '11px 12px' } },
    focusRing: { width: '2px', style: 'solid', color: 'var(--copper)', offset: '2px' },
    colorScheme: { light: scheme, dark: scheme },
  },
  components: COMPONENTS,
});
