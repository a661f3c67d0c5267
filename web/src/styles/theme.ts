// Which theme the page wears: the one that was chosen in this browser, else what the system prefers.
import { theme as library, type ConfigProviderProps } from 'ant-design-vue';
import { computed, ref, watch } from 'vue';
import { themes, type ThemeKey } from '../generated/themes';

export type ThemeChoice = ThemeKey | 'system';

const kept = 'parvix-theme';
const isDark = window.matchMedia('(prefers-color-scheme: dark)');
const wantsContrast = window.matchMedia('(prefers-contrast: more)');
/** The system paints pages in colours of its own; the pictures on them take those of the theme that is nearest. */
const isForced = window.matchMedia('(forced-colors: active)');

function preferred(): ThemeKey {
  if (isForced.matches) return isDark.matches ? 'board' : 'strong';
  if (wantsContrast.matches) return 'strong';
  return isDark.matches ? 'board' : 'paper';
}

function remembered(): ThemeChoice {
  const chosen = window.localStorage.getItem(kept);
  return themes.find(({ key }) => key === chosen)?.key ?? 'system';
}

const choice = ref<ThemeChoice>(remembered());
const system = ref(preferred());
for (const query of [isDark, wantsContrast, isForced])
  query.addEventListener('change', () => (system.value = preferred()));

/** The theme that is worn. */
export const worn = computed<ThemeKey>(() => (choice.value === 'system' ? system.value : choice.value));
export const chosenTheme = computed(() => choice.value);

export function chooseTheme(key: ThemeChoice) {
  choice.value = key;
  if (key === 'system') window.localStorage.removeItem(kept);
  else window.localStorage.setItem(kept, key);
}

/** Puts the worn theme on the page, before whoever reads its colours. */
watch(worn, (key) => (document.documentElement.dataset.theme = key), { immediate: true, flush: 'sync' });

/** The library's forms, menus and dialogs in the page's own colours. */
export const libraryTheme = computed<ConfigProviderProps['theme']>(() => {
  const style = getComputedStyle(document.documentElement);
  const read = (name: string) => style.getPropertyValue(name).trim();
  const hairline = `0 0 0 1px ${read('--hairline')}`;
  return {
    algorithm: themes.find(({ key }) => key === worn.value)!.isDark
      ? library.darkAlgorithm
      : library.defaultAlgorithm,
    token: {
      colorPrimary: read('--sea'),
      colorTextLightSolid: read('--on-sea'),
      colorInfo: read('--sea'),
      colorError: read('--wrong'),
      colorLink: read('--sea'),
      colorText: read('--ink'),
      colorTextPlaceholder: read('--muted'),
      colorBgContainer: read('--sheet'),
      colorBgElevated: read('--sheet'),
      colorBorder: read('--axis'),
      fontFamily: read('--face'),
      fontSize: 15,
      borderRadius: 5,
      boxShadow: hairline,
      boxShadowSecondary: hairline,
      wireframe: false,
    },
  };
});
