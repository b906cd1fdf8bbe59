import type { PlugHarm, PlugVerdict } from '@jade/core/wiring';

const place = ({ row, column }: { row: number; column: number }) => `row ${row}, column ${column}`;

function sayHarm(harm: PlugHarm): string {
  switch (harm.code) {
    case 'short':
      return `${harm.carries} would go to ground and blow its fuse`;
    case 'reversed':
      return `${harm.carries} would be fed the wrong way round`;
    case 'wrong lamp':
      return `${harm.carries} would light ${harm.wanted}`;
  }
}

const harms = (list: readonly PlugHarm[]) => (list.length === 0 ? '' : ` Do not push them together as they are: ${[...new Set(list.map(sayHarm))].join('; ')}.`);

/** What is to be done so that one plug feeds the other. */
export function sayPlugVerdict(verdict: PlugVerdict): string {
  switch (verdict.value) {
    case 'works':
      return 'They go together and work.';
    case 'works either way':
      return 'Supply and ground come the other way round, which this lamp bears.';
    case 'turn it':
      return 'Turned by half a turn they meet pin by pin.';
    case 're-pin':
      return `Re-pin the kit’s plug: ${verdict.moves.map(({ pin, to }) => `pin ${pin} to ${place(to)}`).join(', ')}.${harms(verdict.harm)}`;
    case 'populate': {
      const wanted = verdict.missing.map((entry) => `${entry.carries} (${place(entry)})`).join(', ');
      return `The vehicle’s plug has no contact for ${wanted}. Where the holder has its mate, put one in: terminal and seal of its family, barb as its neighbours, tug it.${harms(verdict.harm)}`;
    }
    case 'adapter':
      return `By adapter: ${verdict.chain.adapters.map(({ name }) => name).join(', then ')}.`;
    case 'no plug': {
      const joins = verdict.joins.map(
        ({ pin, carries, vehiclePin }) => `pin ${pin}, ${carries}, ${vehiclePin === undefined ? 'to be fed from elsewhere' : `to pin ${vehiclePin} of the vehicle`}`,
      );
      return `No plug leads there. Joined wire by wire: ${joins.join('; ')}.`;
    }
    case 'do not connect':
      return verdict.because === 'data'
        ? `Do not connect: pin ${verdict.pin} of the vehicle carries data, which a lamp would disturb or be harmed by.`
        : `Do not connect: nobody knows what pin ${verdict.pin} of the vehicle carries. Find out at Probe first.`;
  }
}
