import type { Option } from '../../shared/ui/option-field';
import { tell } from '../../shared/ui/said';

/** The roles as they are chosen from. */
export const roleOptions = (): Option[] =>
  (['works', 'keeps', 'looks'] as const).map((role) => ({ id: role, label: tell(`page.whoMay.role.${role}`) }));
