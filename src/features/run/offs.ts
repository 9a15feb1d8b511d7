import { checkOfTool } from '@/core/shop/tool';
import type { Shop } from '@/core/shop/shop';
import { tell, type Display } from '@/core/units/show';

/** What the crib knows against an instrument, by its name: that it is off, and by how much. */
export const offOf =
  (shop: Pick<Shop, 'tools'> | undefined, display: Display) =>
  (name: string): string | undefined => {
    const tool = shop?.tools?.find(
      (t) =>
        t.kind === 'measuring' && (t.instrument === name || t.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') === name),
    );
    const check = tool && checkOfTool(tool);
    return check?.off ? tell(check.said, display) : undefined;
  };
