import { PLUG_CLOSINGS } from '@jade/core/wiring';
import type { PlugAdapter as PlainAdapter, PlugFamily as PlainFamily, PlugLibrary as PlainLibrary, PlugTerminal as PlainTerminal } from '@jade/core/wiring';
import { PIN_GENDERS } from '@jade/core/vehicle';
import { Amount, Each, Exactly, Flag, OneOf, Optional, Part, Slug, Span, Text, Texts, Whole } from '@jade/contract/check';

export class PlugCavity {
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
}

export class PlugEnd {
  @Text(40) family!: string;
  @OneOf(PIN_GENDERS) gender!: PlainAdapter['vehicleEnd']['gender'];
  @Text(40) keying!: string;
  @Whole(1, 20) rows!: number;
  @Whole(1, 40) columns!: number;
}

export class AdapterWire {
  @Part(() => PlugCavity) from!: PlugCavity;
  @Part(() => PlugCavity) to!: PlugCavity;
}

export class PlugAdapter implements PlainAdapter {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Whole(0, 100_000_000) priceCents!: number;
  @Part(() => PlugEnd) vehicleEnd!: PlugEnd;
  @Part(() => PlugEnd) lampEnd!: PlugEnd;
  @Each(() => AdapterWire, 200) pins!: AdapterWire[];
}

export class PlugGrid {
  @Whole(1, 20) rows!: number;
  @Whole(1, 40) columns!: number;
}

export class PlugTerminal implements PlainTerminal {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(PIN_GENDERS) gender!: PlainTerminal['gender'];
  @Span() areaMm2!: PlainTerminal['areaMm2'];
  @Text(160) barb!: string;
}

export class PlugFamily implements PlainFamily {
  @Text(40) id!: string;
  @Texts(20, 40) keyings!: string[];
  @Each(() => PlugGrid, 40) grids!: PlugGrid[];
  @Flag() sealed!: boolean;
  @Text(120) lock!: string;
  @OneOf(PLUG_CLOSINGS) closing!: PlainFamily['closing'];
  @Optional() @Text(120) secondLock?: string;
  @Amount(0.1, 500) pinA!: number;
  @Each(() => PlugTerminal, 40) terminals!: PlugTerminal[];
}

/** What a shop knows of plugs: their families, and the adapters that lead from one to another. */
export class PlugLibrary implements PlainLibrary {
  @Exactly('jade-plugs/1') format!: PlainLibrary['format'];
  @Slug() slug!: string;
  @Text(120) name!: string;
  @Each(() => PlugFamily, 400) families!: PlugFamily[];
  @Each(() => PlugAdapter, 20_000) adapters!: PlugAdapter[];
}
