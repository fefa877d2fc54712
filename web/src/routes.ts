import { createRouter } from 'sv-router';
import Family from './family/Family.svelte';
import Lost from './frame/Lost.svelte';

export const { p, navigate, isActive, route } = createRouter({
  '/': Family,
  '/pots': () => import('./pot/PotIndex.svelte'),
  '/pots/new': () => import('./card/Edit.svelte'),
  '/pots/:id/edit': () => import('./card/Edit.svelte'),
  '/pots/:id/scale': () => import('./scaling/Scale.svelte'),
  '/pots/:id/thickening': () => import('./thickening/Thickening.svelte'),
  '/pots/:id/compare': () => import('./comparing/Compare.svelte'),
  '/pots/:id/print': () => import('./printing/Print.svelte'),
  '/thickening': () => import('./thickening/Thickening.svelte'),
  '/recipes': () => import('./recipes/Recipes.svelte'),
  '/pots/:id': () => import('./pot/Pot.svelte'),
  '/pots/:id/swaps': () => import('./swaps/Swaps.svelte'),
  '/menu': () => import('./menu/Menu.svelte'),
  '/applied': () => import('./applied/Applied.svelte'),
  '/rules': () => import('./rules/Rules.svelte'),
  '/larder': () => import('./larder/Larder.svelte'),
  '/larder/:id': () => import('./larder/Larder.svelte'),
  '/unchecked': () => import('./unchecked/Unchecked.svelte'),
  '/bags': () => import('./bags/Bags.svelte'),
  '/tools': () => import('./tools/Tools.svelte'),
  '/supplier': () => import('./supplier/Supplier.svelte'),
  '/intake': () => import('./intake/Intake.svelte'),
  '/history': () => import('./history/History.svelte'),
  '*': Lost
});
