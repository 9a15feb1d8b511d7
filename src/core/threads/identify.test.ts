import { tell } from '../units/show';
import { THREADS } from './standards';
import { identifyThread, type ThreadReading } from './identify';

const names = (reading: Partial<ThreadReading>): string[] =>
  identifyThread({ of: 'screw', diameterMm: 5, worn: false, ...reading }).map((c) => c.thread.designation);

describe('what thread is this', () => {
  test('an M5 screw by caliper and gauge; with ten threads over 8.0 nothing else is left', () => {
    expect(names({ diameterMm: 4.96, pitchMm: 0.8 })[0]).toBe('M5x0.8');
    expect(names({ diameterMm: 4.96, pitchMm: 0.8, countedOver: 10 })).toEqual(['M5x0.8']);
  });

  test('a worn 2 BA, a #10-32 and an M5 are not told by the diameter alone', () => {
    const near = identifyThread({ of: 'screw', diameterMm: 4.66, worn: true });
    const found = near.map((c) => c.thread.designation);
    expect(found).toEqual(expect.arrayContaining(['2 BA', '#10-32 UNF']));
    // Ten threads: 8.1 and 7.94.
    const sharp = identifyThread({ of: 'screw', diameterMm: 4.66, pitchMm: 0.81, countedOver: 10, worn: true });
    expect(sharp[0].thread.designation).toBe('2 BA');
    const told = sharp.find((c) => c.thread.designation === '#10-32 UNF')?.tell;
    expect(told && tell(told, 'mm')).toMatch(/Flanks of 60° against 47.5°/);
  });

  test('a hole is read inside its crests: 6.8 at 1.25 is M8; 20 to the inch at 5.15 is 1/4-20', () => {
    expect(names({ of: 'hole', diameterMm: 6.78, pitchMm: 1.25 })[0]).toBe('M8x1.25');
    expect(names({ of: 'hole', diameterMm: 5.12, pitchMm: 25.4 / 20 })).toContain('1/4-20 UNC');
  });

  test('every thread of the list is among the first from its own sizes; nonsense finds nothing', () => {
    for (const t of THREADS.filter((x) => x.series !== 'NPT')) {
      // The hole for an insert is only ever an inside thread.
      const inside = t.series === 'STI';
      const found = identifyThread({
        of: inside ? 'hole' : 'screw',
        diameterMm: inside ? t.majorMm - 0.98 * t.pitchMm : t.majorMm * 0.994,
        pitchMm: t.pitchMm,
        countedOver: 10,
        worn: false,
      });
      const own = found.find((c) => c.thread.designation === t.designation);
      expect(own?.off).toBeLessThan(found[0].off + 1);
    }
    expect(names({ diameterMm: 200 })).toEqual([]);
  });

  test('shares of what agrees make up one; a worn hole has opened; ten threads or the taper tell two apart', () => {
    const near = identifyThread({ of: 'screw', diameterMm: 9.9, worn: false });
    expect(near.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 9);
    // M8: 6.647 to 6.912. Sound, its middle; worn, a tenth of a millimetre over it.
    const off = (diameterMm: number, worn: boolean) =>
      identifyThread({ of: 'hole', diameterMm, pitchMm: 1.25, worn }).find((c) => c.thread.designation === 'M8x1.25')
        ?.off;
    expect(off(6.7795, false)).toBeCloseTo(0, 2);
    expect(off(6.7795 + (0.265 * 1.6) / 4, true)).toBeCloseTo(0, 1);
    // A spread of a third of its class, with the caliper's own.
    expect(off(6.7795 + Math.hypot(0.265 / 3, 0.03), false)).toBeCloseTo(1, 1);
    const told = near.map((c) => c.tell && tell(c.tell, 'mm')).filter(Boolean);
    expect(told.join(' ')).toMatch(/Ten threads measure \d+\.\d mm, against 15\.0 mm for M10x1\.5/);
    const pipe = identifyThread({ of: 'screw', diameterMm: 9.6, pitchMm: 25.4 / 28, worn: false });
    expect(pipe.map((c) => c.tell && tell(c.tell, 'mm')).join(' ')).toContain('Tapered against parallel');
  });
});
