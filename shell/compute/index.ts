import { FaultyInput } from '@jade/core/faults';
import { COMPUTATIONS, findComputation } from '@jade/contract/compute';
import { sayFaults } from '@jade/words/faults';

async function standardInput(): Promise<string> {
  const parts: Buffer[] = [];
  for await (const part of process.stdin) parts.push(part as Buffer);
  return Buffer.concat(parts).toString('utf8');
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new FaultyInput([{ path: '(input)', code: 'not-json', data: { reason: (error as Error).message } }]);
  }
}

/** `compute NAME < input.json`: prints the result as JSON. Structural faults end with 2 and their paths. */
export async function compute(name: string | undefined): Promise<number> {
  if (name === undefined || name === '--list') {
    for (const { name: own, summary } of COMPUTATIONS) process.stdout.write(`${own.padEnd(16)} ${summary}\n`);
    return name === undefined ? 2 : 0;
  }
  try {
    const computation = findComputation(name);
    process.stdout.write(`${JSON.stringify(computation.run(parse(await standardInput())), null, 2)}\n`);
    return 0;
  } catch (error) {
    if (!(error instanceof FaultyInput)) throw error;
    process.stderr.write(`${sayFaults(error.faults)}\n`);
    return 2;
  }
}
