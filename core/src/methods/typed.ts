import type { Stock } from '../materials/materials.js';
import type { KindName, ParamsOf } from '../stages/registry.js';
import type { ChoiceGroup, Conditions, Method, StageTemplate } from './method.js';

/** What a method may give for a parameter: a value of its type, a choice that gives one, a choice of a stock where it is one. */
type ParameterOf<V, K extends string> =
  | Extract<V, number | string>
  | ([Extract<V, number | string>] extends [never] ? never : { readonly choice: K })
  | ([Extract<V, Stock>] extends [never] ? never : { readonly stock: K });

/** Parameters of a kind of stage, as a method gives them. */
export type ParamsFor<N extends KindName, K extends string = string> = {
  readonly [P in keyof ParamsOf<N>]?: ParameterOf<ParamsOf<N>[P], K>;
};

type TemplateOf<N extends KindName, K extends string> = Omit<StageTemplate, 'kind' | 'params' | 'onlyIf'> & {
  readonly kind: N;
  readonly params: ParamsFor<N, K>;
  readonly onlyIf?: Conditions<K>;
};

/** A stage of a method that ships: its kind is one there is, its parameters are that kind's; K are the choices it may name. */
export type TypedTemplate<K extends string = string> = { [N in KindName]: TemplateOf<N, K> }[KindName];

/** A method that ships: its stages name no kind, no parameter and no choice that there is not. */
export function method<const K extends string>(
  written: Omit<Method, 'groups' | 'stages'> & {
    readonly groups: readonly ChoiceGroup<K>[];
    readonly stages: readonly TypedTemplate<NoInfer<K>>[];
  },
): Method {
  return written as unknown as Method;
}

/** Some of a list of stages, by their ids. */
export function stagesNamed<S extends { readonly id: string }, I extends S['id']>(
  stages: readonly S[],
  ids: readonly I[],
): readonly Extract<S, { readonly id: I }>[] {
  return stages.filter((stage): stage is Extract<S, { readonly id: I }> => ids.some((id) => id === stage.id));
}
