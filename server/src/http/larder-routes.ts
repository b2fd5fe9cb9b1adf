import {
  check,
  FAMILY_PATHS,
  culturesFile,
  methodSchema,
  type FieldProblem,
  gearSchema,
  InputRefused,
  lotSchema,
  orderSchema,
  plannedBatchSchema,
  supplySchema,
  problem,
  type Family,
  type Kept,
  type KeptFamilies,
} from '@oat-crock/contract';
import type { Schema } from 'joi';
import { Router, type Request, type Response } from 'express';
import type { Kitchen } from '../kitchen.js';
import type { KeptStore } from '../store/kept.js';
import {
  checkChoices,
  isCulture,
  isStock,
  lotsNamed,
  methodFaults,
  METHODS,
  stockOfLot,
  type Choices,
  type LotStock,
  say,
  type Text,
} from '@oat-crock/core';
import { methodFileDocument } from './openapi.js';
import { conflicted, HttpProblem, notFound } from './errors.js';

/** Lots, gear, methods and orders: read, written over the version that was read, taken away and brought back. */
export function larderRoutes(kitchen: Kitchen): Router {
  const router = Router();
  router.get('/larder', (_request, response) => {
    response.json(kitchen.larder());
  });
  keep('lots', kitchen.lots, lotSchema, say('server.http.larderRoutes.lot'));
  router.get('/lots/:id/uses', (request, response) => {
    const { id } = request.params;
    if (!kitchen.lots.get(id)) throw notFound(say('server.http.larderRoutes.lotId'));
    response.json({ lotId: id, uses: kitchen.entries.tookFrom(id) });
  });
  router.get('/cultures', (_request, response) => {
    const lots = kitchen.lots.all().map(({ item }) => item);
    response.json(culturesFile(lots.filter(isCulture)));
  });
  keep('gear', kitchen.gear, gearSchema, say('server.http.larderRoutes.pieceGear'));
  keep('methods', kitchen.methods, methodSchema, say('server.http.larderRoutes.method'), (method) =>
    ULID.test(method.id)
      ? methodFaults(method)
      : [
          {
            field: 'id',
            message: say('server.http.larderRoutes.idMethodHouse'),
            remedy: say('server.http.larderRoutes.giveOneOwnUlid'),
          },
        ],
  );

  keep('orders', kitchen.orders, orderSchema, say('server.http.larderRoutes.order'), ({ methodId, choices }) =>
    orderFaults(kitchen, methodId, choices),
  );

  keep('plannedBatches', kitchen.plannedBatches, plannedBatchSchema, say('server.http.larderRoutes.plannedMake'));

  keep('supplies', kitchen.supplies, supplySchema, say('server.http.larderRoutes.supply'));

  router.get('/method.schema.json', (_request, response) => {
    response.json(methodFileDocument());
  });
  return router;

  function keep<F extends Family>(
    family: F,
    store: KeptStore<KeptFamilies[F]>,
    schema: Schema<KeptFamilies[F]>,
    what: Text,
    faults: (item: KeptFamilies[F]) => readonly FieldProblem[] = () => [],
  ): void {
    router.put(`/${FAMILY_PATHS[family]}/:id`, (request, response) => {
      const item = check(schema, request.body);
      if (item.id !== request.params['id']) {
        throw new InputRefused([
          {
            field: 'id',
            message: say('server.http.larderRoutes.notAddress'),
            remedy: say('server.http.larderRoutes.giveSameIdBoth'),
          },
        ]);
      }
      const wrong = faults(item);
      if (wrong.length > 0) throw new InputRefused(wrong);
      const over = versionOf(request);
      const saved = store.save(item, over);
      answer(response, saved, over === 0 ? 201 : 200, store.get(item.id));
    });

    router.delete(`/${FAMILY_PATHS[family]}/:id`, (request, response) => {
      const id = String(request.params['id']);
      if (!store.get(id)) throw notFound(say('server.http.larderRoutes.ofThisId', { what }));
      answer(response, store.remove(id, versionOf(request), kitchen.clock.now()), 200, store.get(id));
    });

    function answer(
      response: Response,
      saved: Kept<KeptFamilies[F]> | null,
      status: number,
      now: Kept<KeptFamilies[F]> | null,
    ): void {
      if (!saved) throw conflicted(now);
      // What stands otherwise than it would be written breaks no page: they read what is left.
      const isOdd = store.isOdd(saved.item.id);
      kitchen.events.tell(isOdd ? { type: 'renewed' } : { type: 'larder', larder: { [family]: [saved] } });
      response.status(status).set('etag', `"${saved.version}"`).json(saved);
    }
  }
}

/** The lots of one's own that some choices name. */
function stocksOf(kitchen: Kitchen, choices: Choices): readonly LotStock[] {
  return lotsNamed(choices).flatMap((id) => {
    const lot = kitchen.lots.get(id)?.item;
    return lot && isStock(lot) ? [stockOfLot(lot)] : [];
  });
}

/** What is wrong with the method of an order, or with how it is decided. */
function orderFaults(kitchen: Kitchen, methodId: string, choices: Choices): readonly FieldProblem[] {
  const own = kitchen.methods.get(methodId);
  const method = own?.item ?? METHODS.find((m) => m.id === methodId);
  if (!method)
    return [
      {
        field: 'methodId',
        message: say('server.http.larderRoutes.thereNoMethod', { methodId }),
        remedy: say('server.http.larderRoutes.nameOneHouseYour'),
      },
    ];
  try {
    checkChoices(method, choices, stocksOf(kitchen, choices));
    return [];
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return [
      {
        field: 'choices',
        message: say('server.http.larderRoutes.text', { message: error.message }),
        remedy: say('server.http.larderRoutes.chooseWhatOffered'),
      },
    ];
  }
}

const ULID = /^[0-9A-HJKMNP-TV-Z]{26}$/;

/** The version an edit is over: 0 for a new thing ("If-None-Match: *"), else that of "If-Match". */
function versionOf(request: Request): number {
  if (request.get('if-none-match') === '*') return 0;
  const version = Number(/^"(\d+)"$/.exec(request.get('if-match') ?? '')?.[1] ?? Number.NaN);
  if (Number.isNaN(version)) {
    throw new HttpProblem(
      problem(428, say('server.http.larderRoutes.whichVersionOver'), say('server.http.larderRoutes.sendIfMatchEtag')),
    );
  }
  return version;
}
