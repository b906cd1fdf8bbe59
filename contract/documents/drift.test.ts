import type { Drift, NoDrift } from '@jade/contract/check';
import type { Kit } from '@jade/contract/kit';
import type { PlugLibrary } from '@jade/contract/plugs';
import type { RuleSet } from '@jade/contract/rules';
import type { Shop } from '@jade/contract/shop';
import type { VehicleProfile } from '@jade/contract/vehicle';
import { DOCUMENT_KINDS, type DocumentKind, type Documents } from './index.ts';

interface Forms {
  vehicle: VehicleProfile;
  kit: Kit;
  plugs: PlugLibrary;
  rules: RuleSet;
  shop: Shop;
}
/** What a test follows from is worked out and never written: tests that a kit wrote have it nowhere. */
type WorkedOut = `kit.fitments[].tests[].follows${string}`;
type Found = Exclude<{ [K in DocumentKind]: Drift<Forms[K], Documents[K], K> }[DocumentKind], WorkedOut>;

test('the form of each kind of document is the same as its type: what is not does not compile', () => {
  const none: NoDrift<Found>[] = [];
  expect(none).toEqual([]);
  expect(DOCUMENT_KINDS).toHaveLength(5);
});
