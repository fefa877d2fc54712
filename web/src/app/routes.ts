import { createRouter } from 'sv-router';
import Family from '../features/family/Family.svelte';
import NotFound from './NotFound.svelte';

export const { p, navigate, isActive, route } = createRouter({
  '/': Family,
  '/pots': () => import('../features/cards/pot/PotIndex.svelte'),
  '/pots/new': () => import('../features/cards/edit/Edit.svelte'),
  '/pots/:id/edit': () => import('../features/cards/edit/Edit.svelte'),
  '/pots/:id/scale': () => import('../features/cards/scaling/Scale.svelte'),
  '/pots/:id/thickening': () => import('../features/cards/thickening/Thickening.svelte'),
  '/pots/:id/compare': () => import('../features/cards/comparing/Compare.svelte'),
  '/pots/:id/print': () => import('../features/cards/printing/Print.svelte'),
  '/thickening': () => import('../features/cards/thickening/Thickening.svelte'),
  '/recipes': () => import('../features/recipes/Recipes.svelte'),
  '/pots/:id': () => import('../features/cards/pot/Pot.svelte'),
  '/pots/:id/swaps': () => import('../features/swaps/bench/Swaps.svelte'),
  '/menu': () => import('../features/swaps/menu/Menu.svelte'),
  '/applied': () => import('../features/swaps/applied/Applied.svelte'),
  '/rules': () => import('../features/swaps/rules/Rules.svelte'),
  '/larder': () => import('../features/larder/products/Larder.svelte'),
  '/larder/:id': () => import('../features/larder/products/Larder.svelte'),
  '/next-jar': () => import('../features/larder/next/NextJarPage.svelte'),
  '/unchecked': () => import('../features/larder/unchecked/Unchecked.svelte'),
  '/questions': () => import('../features/larder/unchecked/Questions.svelte'),
  '/bags': () => import('../features/larder/bags/Bags.svelte'),
  '/tools': () => import('../features/today/tools/Tools.svelte'),
  '/shelf': () => import('../features/today/shelf/Shelf.svelte'),
  '/today': () => import('../features/today/Today.svelte'),
  '/batches/:id': () => import('../features/today/batch/BatchPage.svelte'),
  '/trace': () => import('../features/today/trace/TracePage.svelte'),
  '/guests': () => import('../features/pass/Guests.svelte'),
  '/can-have': () => import('../features/pass/GuestPlates.svelte'),
  '/grid': () => import('../features/family/Grid.svelte'),
  '/supplier': () => import('../features/larder/supplier/Supplier.svelte'),
  '/intake': () => import('../features/larder/intake/Intake.svelte'),
  '/history': () => import('../features/history/History.svelte'),
  '*': NotFound
});
