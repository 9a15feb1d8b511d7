import type { Found } from '@/contracts/search';
import { drillLevel } from '@/core/drills/expected-hole';
import { drillName } from '@/core/drills/drill';
import { BLANK_FORM, toAddress, type AskForm } from '@/core/hole/form';
import { findDrill } from '@/core/hole/find-drill';
import { mainCut } from '@/core/hole/hole-plan';
import { spokenQuestion } from '@/core/hole/spoken-question';
import { planForm } from '@/core/hole/read-form';
import { designationHit, findMaterials } from '@/core/materials/find-material';
import { depth } from '@/core/answer/answer';
import { ruleOf, WHY_PAGES } from '@/core/practice/why-pages';
import { showText, tell, type Display } from '@/core/units/show';
import type { Database } from '../database';
import { findHoles } from '../repositories/job-repository';
import { jobsPage } from './job-service';
import { shopNow, type ShopNow } from './shop-service';

const SAME_SIZE_MM = 0.0005;
/** So many of each kind. */
const MOST = 6;

function askFor(shop: ShopNow, units: Display, over: Partial<AskForm>): AskForm {
  const mild = shop.materials.find((m) => m.id === BLANK_FORM.material) ?? shop.materials[0];
  return { ...BLANK_FORM, material: mild?.id ?? '', machine: shop.machines[0]?.id ?? '', units, ...over };
}

/** A callout that is read is answered at once. */
function answered(text: string, shop: ShopNow, units: Display): Found[] {
  const quick = spokenQuestion(text, shop);
  if (!quick) return [];
  const form = askFor(shop, units, {
    callout: quick.callout,
    ...(quick.material && { material: quick.material.id }),
    ...(quick.machine && { machine: quick.machine.id }),
  });
  const label = shop.materials.find((m) => m.id === form.material)?.label ?? '';
  const planned = planForm(form, shop);
  const said = (): string => {
    if (!planned.ok) return planned.problems.map((p) => tell(p, units)).join(' ');
    const cut = mainCut(planned.value);
    if (!cut) return 'Nothing to drill.';
    const speed = cut.speed.ok ? `, ${showText({ value: cut.speed.value.rpm, unit: 'rpm' }, units)}` : '';
    const stop = cut.spec.through ? 'through' : `stop ${showText(depth(cut.stopMm), units)}`;
    return `Drill ${cut.spec.tool.name}${speed}, ${stop}`;
  };
  return [
    {
      kind: 'answer',
      id: 'answer',
      name: `${quick.callout} in ${label}`,
      detail: said(),
      href: `/?${toAddress(form)}`,
    },
  ];
}

const WHY = /^why\s+(?:drill\s+)?(.+?)\??$/i;

/** `Why 5.1?`: what this shop’s own holes say of that drill. */
function whyDrill(text: string, { pools: [crib], learned }: ShopNow): Found[] {
  const named = WHY.exec(text)?.[1];
  const drill = named === undefined ? undefined : findDrill(named, crib);
  if (!drill) return [];
  return crib.drills
    .filter((d) => Math.abs(d.diameterMm - drill.diameterMm) < SAME_SIZE_MM)
    .map((own): Found => {
      const level = drillLevel(own);
      const n = learned?.oversize?.[level]?.n ?? 0;
      return {
        kind: 'learned',
        id: `why-${level}`,
        name: `Why ${drillName(own)}?`,
        detail: n > 0 ? `from ${n} of your own holes` : 'by typical figures: no hole of it was measured here',
        href: n > 0 ? `/log/readings?${new URLSearchParams({ figure: 'oversize', level }).toString()}` : '/log/learned',
      };
    });
}

/** A rule of the trade, by words of its title. */
function whyRules(text: string): Found[] {
  const words = text
    .toLowerCase()
    .replace(/[?]/g, '')
    .split(/\s+/)
    .filter((w) => w.length > 2 && w !== 'why');
  if (words.length === 0) return [];
  return WHY_PAGES.filter((p) => words.every((w) => `${p.title} ${ruleOf(p)}`.toLowerCase().includes(w)))
    .slice(0, MOST)
    .map((p): Found => ({
      kind: 'why',
      id: `why-${p.id}`,
      name: p.title,
      detail: ruleOf(p),
      href: `/practice/why?rule=${p.id}`,
    }));
}

const MISSING = /^(.+?)\s+(?:is\s+)?(?:missing|lost|gone|broken)$/i;

/** `7/32 missing`: the drill is marked so when the line is taken. */
function missing(text: string, [crib]: ShopNow['pools']): Found[] {
  const named = MISSING.exec(text)?.[1];
  const drill = named === undefined ? undefined : findDrill(named.replace(/^drill\s+/i, ''), crib);
  const own = drill && crib.drills.find((d) => Math.abs(d.diameterMm - drill.diameterMm) < SAME_SIZE_MM);
  if (!own) return [];
  const { series, label, diameterMm } = own;
  return [
    {
      kind: 'missing',
      id: `missing-${label}`,
      name: `Mark ${drillName(own)} missing`,
      detail: own.where ?? '',
      href: `/crib?tab=drills&find=${encodeURIComponent(label)}`,
      drill: { series, label, diameterMm },
    },
  ];
}

const has = (words: readonly string[], ...texts: (string | undefined)[]): boolean => {
  const text = texts.join(' ').toLowerCase();
  return words.every((w) => text.includes(w));
};

function inCrib(words: readonly string[], shop: ShopNow): Found[] {
  const tools = (shop.tools ?? []).filter((t) => has(words, t.name, t.where)).slice(0, MOST);
  const drills = shop.pools[0].drills
    .filter((d) => has(words, drillName(d), `drill ${d.label}`, d.where, d.material))
    .slice(0, MOST);
  const machines = shop.machines.filter((m) => has(words, m.name)).slice(0, MOST);
  return [
    ...drills.map((d, i): Found => ({
      kind: 'tool',
      id: `drill-${i}-${d.label}`,
      name: `Drill ${drillName(d)}`,
      detail: d.where ?? '',
      href: `/crib?tab=drills&find=${encodeURIComponent(d.label)}`,
    })),
    ...tools.map((t): Found => ({
      kind: 'tool',
      id: t.id,
      name: t.name,
      detail: t.where ?? '',
      href: `/crib?tab=tools&find=${encodeURIComponent(t.name)}`,
    })),
    ...machines.map((m): Found => ({
      kind: 'machine',
      id: m.id,
      name: m.name,
      detail: '',
      href: '/crib?tab=machines',
    })),
  ];
}

const materialsFor = (text: string, shop: ShopNow, units: Display): Found[] =>
  findMaterials(text, shop.materials)
    .slice(0, MOST)
    .map((m) => ({
      kind: 'material',
      id: m.id,
      name: m.label,
      detail: designationHit(text, m) ?? '',
      href: `/?${toAddress(askFor(shop, units, { material: m.id }))}`,
    }));

/**
 * Anything by what people call it: an answer to a callout, jobs, their holes, materials, drills, tools and machines.
 * An empty text finds the newest jobs.
 */
export async function search(db: Database, text: string, units?: Display): Promise<Found[]> {
  const shop = await shopNow(db);
  const display = units ?? shop.units;
  const typed = text.trim();
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const { jobs } = await jobsPage(db, shop.materials, { search: typed, page: 1 });
  const jobItems = jobs.slice(0, MOST).map((job): Found => ({
    kind: 'job',
    id: job.id,
    name: job.name,
    detail: shop.materials.find((m) => m.id === job.materialId)?.label ?? '',
    href: `/jobs/${job.id}`,
  }));
  if (typed === '') return jobItems;
  const holes = (await findHoles(db, words, MOST)).map((h): Found => ({
    kind: 'hole',
    id: `${h.jobId}-${h.id}`,
    name: `${h.letter}  ${h.callout}`,
    detail: [h.name === h.callout ? '' : h.name, h.jobName].filter(Boolean).join(', '),
    href: `/jobs/${h.jobId}/holes?hole=${h.id}`,
  }));
  return [
    ...missing(typed, shop.pools),
    ...whyDrill(typed, shop),
    ...answered(typed, shop, display),
    ...jobItems,
    ...holes,
    ...materialsFor(typed, shop, display),
    ...inCrib(words, shop),
    ...whyRules(typed),
  ];
}
