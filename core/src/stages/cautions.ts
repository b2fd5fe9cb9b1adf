/** Cautions the product always carries, in the maker's words. Usual cautions, not legal advice. */
export const CAUTIONS = {
  defer:
    'These are usual cautions, not legal advice: follow your local food code and licensed practice. Selling dairy usually needs a licence, an approved process and often pasteurised milk.',
  raw: 'Raw milk is not for anyone pregnant, very young, old or ill; the law differs from place to place. A hold at 63 °C for 30 min or 72 °C for 15 s within this make is entered in the record.',
  clean:
    'Scald vessels and spoons, boil cloth 5 min, clean hands. Rinse sanitiser away: what is left of it kills cultures.',
  spoon: 'The starter spoon never goes back into the jar.',
  hot: 'Hot milk and steam burn: keep the handle inward and pour away from you.',
  unheated:
    'The whey protein of this milk was never unfolded by heat: it sets softer and sheds more whey. Scald it first, or take ultra-heated milk.',
  notAcid:
    'Not sour enough to keep by acid: cool it from 57 to 21 °C within 2 h and to 5 °C within 4 h more, keep it there, eat it within days. Listeria can grow in it: not for anyone pregnant, old or ill unless it is fresh.',
  acid: 'The culture must bring it to pH 4.6. No set and no reading after twice the forecast time: discard it.',
  mould:
    'Mould, pink, orange or black spots, gas or a foul smell: discard it unopened-mouthed. Never cut it off, never taste.',
  allergen: 'Contains milk.',
  calcium: 'Calcium chloride: food grade, and never more than 0.2 g/kg of milk.',
  wild: 'What lives in raw milk may be good or bad. If it smells foul, blows up or colours, discard it without tasting; seeding it is faster and safer.',
  tiredGrains:
    'These grains have waited long: the first batch is slow and thin. Throw it out and go by the second or third.',
  egg: 'Egg in it: bring it to 74 °C all through.',
  allergenEgg: 'Contains milk and egg.',
  bottles:
    'Closed bottles burst: only bottles made for pressure, never filled to the cap, opened over the sink each day, then into the cold.',
  oven: 'A full pan of hot fat: slide it, do not lift it over an open oven door.',
  boilRinse: 'Nothing guards a plant base but acid: rinse the jar and the spoon with boiling water.',
  capsule:
    'Capsules are supplements, not assayed starters: if it is not clearly sour after twice the forecast time, discard it.',
  allergenCoconut: 'Contains coconut, which counts as an allergen in some places.',
  allergenNuts: 'Contains cashew nuts.',
  allergenSoya: 'Contains soya.',
  ultraCream: 'Ultra-heated cream, stabilised often as well, is slow to break and gives less butter.',
  whey: 'Acid whey does not go down the drain by the bucket: feed, bake, brine or compost it.',
  counterDrain: 'On the counter it goes on souring: only at pH 4.6 or below, and no longer than 6 h.',
} as const;
