import { z } from 'zod';
import { drillInput, machineInput, materialInput } from './crib';

const millimetres = z.number();

/** Threads with the limits of their usual class. */
export const threadCatalogue = z.object({
  threads: z.array(
    z.object({
      designation: z.string(),
      series: z.string(),
      form: z.string(),
      standard: z.string(),
      majorDiameterMm: millimetres,
      pitchMm: millimetres,
      threadsPerInch: z.number().nullable(),
      fullThreadDepthMm: millimetres,
      class: z.string().nullable(),
      minorDiameterMinMm: millimetres.nullable(),
      minorDiameterMaxMm: millimetres.nullable(),
      pitchDiameterMinMm: millimetres.nullable(),
      pitchDiameterMaxMm: millimetres.nullable(),
    }),
  ),
});

/** Sets of drills, the crib among them. */
export const drillCatalogue = z.object({
  sets: z.array(
    z.object({
      id: z.string(),
      label: z.string(),
      drills: z.array(
        z.object({
          label: z.string(),
          name: z.string(),
          series: drillInput.shape.series,
          diameterMm: millimetres,
          diameterIn: z.number(),
          pointAngleDeg: z.number(),
          material: drillInput.shape.material,
          condition: drillInput.shape.condition.nullable(),
        }),
      ),
    }),
  ),
});

export const materialCatalogue = z.object({ materials: z.array(materialInput) });
export const machineCatalogue = z.object({ machines: z.array(machineInput) });

/** An entry of the crib that was added. */
export const cribAdded = z.object({ id: z.string(), version: z.number().int() });
