import { seeded, usualEffect, type ProbeFunction, type Random } from '@jade/core/probing';
import { onWith, type VehicleState } from '@jade/core/states';

/** A vehicle that is played: what its pins carry, which only it knows, and what is wrong with it. */
export interface PlayedVehicle {
  pins: Readonly<Record<string, ProbeFunction>>;
  systemV: number;
  /** Volts by which readings scatter at most, either way. */
  noiseV?: number;
  /** A pin on which something leaks in from a neighbour in a state. */
  leak?: { pin: string; state: VehicleState };
  /** Functions that are fed in pulses. */
  modulated?: readonly ProbeFunction[];
  /** Volts by which the ground that is used lies above the battery's negative. */
  groundV?: number;
}

/** What a meter with lowest and highest shows, in volts. */
export interface Span {
  lowV: number;
  highV: number;
}

const PULSE_SHARE = 0.4;
const LEAK_SHARE = 0.3;
const CHARGING_V = 1.8;
const round = (volts: number) => Math.round(volts * 100) / 100;

/** Plays a vehicle: put into a state, with the probe on a pin, it says what the meter shows. Two that begin with one seed show the same. */
export class Played {
  state: VehicleState = 'key off';
  pin: string | undefined;
  private readonly random: Random;
  readonly vehicle: PlayedVehicle;

  constructor(vehicle: PlayedVehicle, seed = 1) {
    this.vehicle = vehicle;
    this.random = seeded(seed);
  }

  /** Lowest and highest at the probe; nothing where it touches no pin. */
  voltage(): Span | undefined {
    const { pins, systemV, noiseV = 0.02, leak, modulated = [], groundV = 0 } = this.vehicle;
    const name = this.pin === undefined ? undefined : pins[this.pin];
    if (!name) return undefined;
    const supplyV = systemV + (onWith(this.state).includes('engine') ? CHARGING_V : 0);
    const span = (low: number, high = low): Span => {
      const noise = (this.random() * 2 - 1) * noiseV;
      return { lowV: round(low + noise - groundV), highV: round(high + noise - groundV) };
    };
    if (leak && leak.pin === this.pin && leak.state === this.state) return span(supplyV * LEAK_SHARE);
    switch (usualEffect(name, this.state)) {
      case 'on':
        return modulated.includes(name) ? span(supplyV * PULSE_SHARE) : span(supplyV - 0.2);
      case 'flashing':
        return span(0.05, supplyV - 0.3);
      case 'dimmed':
        return span(supplyV * PULSE_SHARE);
      default:
        return span(groundV === 0 ? 0.02 : groundV);
    }
  }

  /** Ohms from the probe to the body, with nothing switched on: the body itself, or a cold filament. */
  continuity(): number | undefined {
    const name = this.pin === undefined ? undefined : this.vehicle.pins[this.pin];
    if (!name || this.state !== 'key off') return undefined;
    return name === 'ground' ? round(0.3 + this.random() * 0.1) : name === 'empty' ? 1_000_000 : round(3 + this.random());
  }
}
