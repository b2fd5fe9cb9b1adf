import { say, type Text } from '@oat-crock/core';

/** Something that the help explains: of a place, or of a way of doing things. */
export interface HelpTopic {
  readonly title: Text;
  readonly says: Text;
  /** Where it is about. */
  readonly path?: string;
}

/** What each place is for: said at first sight of it, and in the help. */
export const PLACE_TOPICS: readonly (HelpTopic & { readonly path: string })[] = [
  { path: '/today', title: say('help.today.title'), says: say('help.today.says') },
  { path: '/plan', title: say('help.plan.title'), says: say('help.plan.says') },
  { path: '/make', title: say('help.make.title'), says: say('help.make.says') },
  { path: '/methods', title: say('help.methods.title'), says: say('help.methods.says') },
  { path: '/cultures', title: say('help.cultures.title'), says: say('help.cultures.says') },
  { path: '/larder', title: say('help.larder.title'), says: say('help.larder.says') },
  { path: '/ledger', title: say('help.ledger.title'), says: say('help.ledger.says') },
];
