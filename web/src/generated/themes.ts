// Made by cmd/generate from export/theme; do not edit.

/** The themes, the usual first. */
export const themes = [
  { key: 'paper', words: 'paper', isDark: false },
  { key: 'board', words: 'blackboard', isDark: true },
  { key: 'strong', words: 'strong light', isDark: false },
] as const;

export type ThemeKey = (typeof themes)[number]['key'];
