// What the page knows of a kind of entries; each is a folder here, and `index.ts` lists them all.
import type { Component } from 'vue';
import type { Bodies, EntryOf, Kind, LabelKind, LinePattern } from '../generated/types';
import type { Action } from '../shared/ActionMenu.vue';

export interface PageKind<K extends Kind> {
  /** What an entry is called, in menus and for those who listen. */
  name: (body: Bodies[K]) => string;
  /** The fields of its form; the body is its model, and `refused` what is wrong. */
  form: Component;
  /** The small picture before its row. */
  icon: Component;
  /** What its label may say; none where there is nothing to choose. */
  labels: (body: Bodies[K]) => [LabelKind, string][];
  /** How its line is usually drawn, where that can be chosen. */
  line?: (body: Bodies[K]) => LinePattern | undefined;
  /** What its grip is called, for those who listen; grips count from 1. */
  grip?: (body: Bodies[K], grip: number) => string;
  /** Whether it has a colour of its own. */
  coloured: (body: Bodies[K]) => boolean;
  /** What can be done with it, besides what can be done with every entry. */
  actions?: (entry: EntryOf<K>) => Action[];
  /** What is folded under its row. */
  below?: Component;
  /** Before it is kept, what was typed is put in order. */
  tidy?: (body: Bodies[K]) => void;
  /** What the menu of additions offers. */
  additions?: () => Addition<K>[];
}

/** Something that can be shown: a form with this body, or an act. */
export interface Addition<K extends Kind = Kind> {
  key: string;
  words: string;
  /** What has to be done first; empty when nothing has. */
  waits?: string;
  fresh?: () => Bodies[K];
  act?: () => void;
}
