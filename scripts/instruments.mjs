#!/usr/bin/env node
// Sends readings to a running server, a line each from standard input: `echo "caliper size 8.52 mm" | npm run instruments`.
// Without anything on standard input it plays a few readings of each instrument, one a second.
import { createInterface } from 'node:readline';

const base = process.env.SERVER ?? `http://127.0.0.1:${process.env.PORT ?? '3000'}`;
const PLAYED = [
  'caliper size 8.52 mm',
  'depth-gauge depth 16.2 mm',
  'height-gauge height 24 mm',
  'readout x 12.345 y 40 mm',
  'torque now 3.1 peak 6.2 Nm',
  'thread-gauge go 8 turns',
  'thread-gauge not-go 1 turns',
  'pins in 8.5 out 8.6 mm',
];

async function send(line) {
  const answer = await fetch(`${base}/api/v1/instruments`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ line }),
  });
  const said = await answer.json();
  console.log(answer.ok ? `${said.line} (heard by ${said.heardBy})` : `Not sent: ${said.detail}`);
}

if (process.stdin.isTTY)
  for (const line of PLAYED) {
    await send(line);
    await new Promise((resolve) => setTimeout(resolve, 1000));
  }
else for await (const line of createInterface({ input: process.stdin })) if (line.trim() !== '') await send(line);
