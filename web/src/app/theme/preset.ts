import { definePreset } from '@primeuix/themes';
import Base from '@primeuix/themes/aura';

/** A colour of the page by its token; light and dawn are decided in tokens.css. */
const token = (name: string) => `var(--${name})`;

const field = {
  background: token('paper-raised'),
  disabledBackground: token('paper-sunk'),
  filledBackground: token('paper-raised'),
  filledHoverBackground: token('paper-raised'),
  filledFocusBackground: token('paper-raised'),
  borderColor: token('line-strong'),
  hoverBorderColor: token('ink-soft'),
  focusBorderColor: token('cobalt'),
  invalidBorderColor: token('brick'),
  color: token('ink'),
  disabledColor: token('ink-soft'),
  placeholderColor: token('ink-soft'),
  iconColor: token('ink-soft'),
  shadow: 'none',
};

const scheme = {
  surface: {
    0: token('paper-raised'),
    50: token('paper-raised'),
    100: token('paper'),
    200: token('paper-sunk'),
    300: token('line'),
    400: token('line-strong'),
    500: token('line-strong'),
    600: token('ink-soft'),
    700: token('ink-soft'),
    800: token('ink'),
    900: token('ink'),
    950: token('ink'),
  },
  primary: {
    color: token('cobalt'),
    contrastColor: token('on-cobalt'),
    hoverColor: token('cobalt-deep'),
    activeColor: token('cobalt-deep'),
  },
  highlight: {
    background: token('cobalt-wash'),
    focusBackground: token('cobalt-wash'),
    color: token('ink'),
    focusColor: token('ink'),
  },
  text: { color: token('ink'), hoverColor: token('ink'), mutedColor: token('ink-soft'), hoverMutedColor: token('ink') },
  content: {
    background: token('paper-raised'),
    hoverBackground: token('paper-sunk'),
    borderColor: token('line'),
    color: token('ink'),
    hoverColor: token('ink'),
  },
  formField: field,
  overlay: {
    select: { background: token('paper-raised'), borderColor: token('line-strong'), color: token('ink') },
    popover: { background: token('paper-raised'), borderColor: token('line-strong'), color: token('ink') },
    modal: { background: token('paper-raised'), borderColor: token('line-strong'), color: token('ink') },
  },
  list: {
    option: {
      focusBackground: token('paper-sunk'),
      selectedBackground: token('cobalt-wash'),
      selectedFocusBackground: token('cobalt-wash'),
      color: token('ink'),
      focusColor: token('ink'),
      selectedColor: token('ink'),
      selectedFocusColor: token('ink'),
    },
  },
  mask: { background: 'rgb(38 32 26 / 45%)', color: token('ink') },
};

const BUTTON = {
  outlined: {
    primary: { borderColor: token('cobalt'), color: token('cobalt'), hoverBackground: token('cobalt-wash') },
  },
  text: { primary: { color: token('cobalt'), hoverBackground: token('cobalt-wash') } },
  root: {
    danger: {
      background: token('brick'),
      borderColor: token('brick'),
      color: token('on-cobalt'),
      hoverBackground: token('brick'),
      hoverBorderColor: token('brick'),
      hoverColor: token('on-cobalt'),
    },
  },
};

/** The controls, dressed in stoneware and one cobalt brush. */
export const StonewarePreset = definePreset(Base, {
  primitive: { borderRadius: { xs: '2px', sm: '3px', md: '5px', lg: '6px', xl: '8px' } },
  semantic: {
    transitionDuration: '0.12s',
    focusRing: { width: '3px', style: 'solid', color: token('cobalt'), offset: '2px' },
    formField: { paddingX: '0.7rem', paddingY: '0.55rem', borderRadius: '5px' },
    colorScheme: { light: scheme, dark: scheme },
  },
  components: {
    button: {
      root: { borderRadius: '5px', paddingX: '1rem', paddingY: '0.6rem', label: { fontWeight: '650' } },
      colorScheme: { light: BUTTON, dark: BUTTON },
    },
    dialog: { root: { borderRadius: '8px', shadow: '0 1.2rem 3rem rgb(38 32 26 / 28%)' } },
    togglebutton: {
      colorScheme: {
        light: {
          root: {
            background: token('paper-raised'),
            checkedBackground: token('cobalt'),
            hoverBackground: token('paper-sunk'),
            borderColor: token('line-strong'),
            checkedBorderColor: token('cobalt'),
            color: token('ink'),
            hoverColor: token('ink'),
            checkedColor: token('on-cobalt'),
          },
          content: { checkedBackground: token('cobalt'), checkedShadow: 'none' },
        },
      },
      content: { padding: '0.25rem 0.6rem' },
    },
  },
});
