import { FaultyInput, type Fault } from '@jade/core/faults';
import type { Kit as PlainKit } from '@jade/core/kit';
import type { RuleSet as PlainRules } from '@jade/core/rules';
import type { Shop as PlainShop } from '@jade/core/shop';
import type { VehicleProfile as PlainProfile } from '@jade/core/vehicle';
import type { PlugLibrary as PlainPlugs } from '@jade/core/wiring';
import { checkForm, MOST_IN_DOCUMENT } from '@jade/contract/check';
import { Kit } from '@jade/contract/kit';
import { PlugLibrary } from '@jade/contract/plugs';
import { RuleSet } from '@jade/contract/rules';
import { Shop } from '@jade/contract/shop';
import { VehicleProfile } from '@jade/contract/vehicle';
import { liftDocument } from './lift.ts';

export { liftDocument };

export const DOCUMENT_KINDS = ['vehicle', 'kit', 'plugs', 'rules', 'shop'] as const;
export type DocumentKind = (typeof DOCUMENT_KINDS)[number];

/** The document of each kind. */
export interface Documents {
  vehicle: PlainProfile;
  kit: PlainKit;
  plugs: PlainPlugs;
  rules: PlainRules;
  shop: PlainShop;
}

/** The class that checks each kind, and the name its `format` must have. */
export const FORMATS: Record<DocumentKind, { of: new () => object; format: string; file: string }> = {
  vehicle: { of: VehicleProfile, format: 'jade-vehicle-profile/5', file: 'vehicle-profile' },
  kit: { of: Kit, format: 'jade-kit/5', file: 'kit' },
  plugs: { of: PlugLibrary, format: 'jade-plugs/1', file: 'plugs' },
  rules: { of: RuleSet, format: 'jade-rule-set/1', file: 'rule-set' },
  shop: { of: Shop, format: 'jade-shop/1', file: 'shop' },
};

export type AnyDocument = { [K in DocumentKind]: { kind: K; document: Documents[K] } }[DocumentKind];

/** As `liftDocument`; one that is not of the version that its format names cannot be lifted, and says so. */
function lifted(written: unknown): unknown {
  try {
    return liftDocument(written);
  } catch {
    throw new FaultyInput([{ path: 'format', code: 'type', data: { expected: 'the version of the format that the document is of' } }]);
  }
}

/** Reads which kind a document is from its `format`, lifts an older version, and checks its form. Throws `FaultyInput` with the paths of all faults. */
export function readDocument(written: unknown): AnyDocument {
  const value = lifted(written);
  const format = typeof value === 'object' && value !== null ? (value as { format?: unknown }).format : undefined;
  const kind = DOCUMENT_KINDS.find((candidate) => FORMATS[candidate].format === format);
  const known = Object.values(FORMATS)
    .map((entry) => entry.format)
    .join(', ');
  if (!kind) throw new FaultyInput([{ path: 'format', code: 'unknown-kind', data: { known } }]);
  const faults: Fault[] = checkForm(FORMATS[kind].of, value, '', MOST_IN_DOCUMENT);
  if (faults.length > 0) throw new FaultyInput(faults);
  return { kind, document: value } as AnyDocument;
}
