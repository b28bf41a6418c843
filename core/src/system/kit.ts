import { type KitPart, type Part, partsOf } from '../catalogue/parts.ts';
import type { SystemDesign } from './design.ts';
import { slotsOf } from './slots.ts';

/** What of a design's own parts a kit would bring, in the firm's currency; null where the kit holds something that the design does not have. */
function worthOf(kit: KitPart, design: SystemDesign): number | null {
  const slots = slotsOf({ ...design, kit: null });
  let worth = 0;
  for (const { id, quantity } of kit.holds) {
    const own = slots.filter(({ part, held }) => part.id === id && !held);
    const count = own.reduce((sum, slot) => sum + slot.count, 0);
    if (count < quantity) return null;
    worth += own[0]!.part.price * quantity;
  }
  return worth;
}

/** The design bought as the kit that brings most for its price; part by part where none is cheaper. */
export function withKit(design: SystemDesign, catalogue: readonly Part[]): SystemDesign {
  const saving = (kit: KitPart) => (worthOf(kit, design) ?? -Infinity) - kit.price;
  const best = partsOf(catalogue, 'kit').sort((a, b) => saving(b) - saving(a))[0];
  return { ...design, kit: best && saving(best) > 0 ? best : null };
}
