import Joi from 'joi';

/** Cultures by their ids. */
export const cultureId = Joi.valid('thermophilic', 'mesophilic', 'kefir-grains', 'room-yogurt', 'clabber', 'plant');

/** How a starter was kept. */
export const starterFields = {
  form: Joi.valid('active', 'freeze-dried', 'grains').required(),
  ageDays: Joi.number().min(0).max(3650).required(),
  store: Joi.valid('cold', 'frozen', 'room').required(),
};
/** A packet of powder is dosed by what its label says it sets, into so many litres: into just those where nothing is said. */
const ofAPacket = { is: 'packet', otherwise: Joi.forbidden() };
const litres = Joi.number().greater(0).max(1000);
/** A starter, or a packet of powder. */
export const starter = Joi.object({
  ...starterFields,
  form: Joi.valid('active', 'freeze-dried', 'grains', 'packet').required(),
  setsLitres: litres.when('form', { ...ofAPacket, then: Joi.required() }),
  packets: Joi.number().greater(0).max(100).when('form', ofAPacket),
  litres: litres.when('form', ofAPacket),
});
