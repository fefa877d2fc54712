import { KeptDraft } from '../../../lib/keptDraft';
import type { EvidenceKind } from './labelDraft.svelte';
import type { Product } from '../../../lib/unread';

/** A jar that is half written: what was begun from, what it has become, and when. */
export interface KeptJar {
  before: Product;
  piece: Product;
  seen: number | null;
  evidence: EvidenceKind | '';
  at: string;
}

export const keptJar = (id: string) => new KeptDraft<KeptJar>('jar', id);
