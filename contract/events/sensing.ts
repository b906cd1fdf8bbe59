import { LONGEST_TEXT as MOST, type EventType, type Payloads } from '@jade/core/events';
import { Amount, Day, OneOf, Optional, Slug, Text } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

class SensorNamed implements P<'sensor.unplugged'> {
  @Slug() sensor!: string;
}

class SensorMoved implements P<'sensor.moved'> {
  @Slug() sensor!: string;
  @Amount(-2000, 2000) xMm!: number;
  @Amount(-2000, 2000) yMm!: number;
  @Amount(-2000, 2000) zMm!: number;
  @Amount(-45, 45) yawDeg!: number;
  @Amount(-45, 45) pitchDeg!: number;
}

class SensorCalibrated implements P<'sensor.calibrated'> {
  @Slug() sensor!: string;
  @OneOf(['done here', 'by others', 'not required']) how!: P<'sensor.calibrated'>['how'];
  @Optional() @Text(MOST.note) note?: string;
  @Optional() @Text(MOST.aimer) by?: string;
  @Optional() @Day() dueOn?: string;
}

/** Forms of the family, each of its type's newest version. */
export const SENSING_FORMS = {
  'sensor.unplugged': SensorNamed,
  'sensor.reconnected': SensorNamed,
  'sensor.moved': SensorMoved,
  'sensor.calibrated': SensorCalibrated,
} satisfies FormsOf<'sensing'>;
