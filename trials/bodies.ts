import {
  benchCodeSaveSchema,
  chartRetiredSchema,
  factorConfirmSchema,
  ownPassphraseSchema,
  firstRunSchema,
  handSchema,
  passphraseChangeSchema,
  PATHS,
  personSaveSchema,
  preferencesSchema,
  protocolSaveSchema,
  ROUTES,
  chartRetiredPath,
  selfLinkSaveSchema,
  selfPath,
  selfSubmissionSchema,
  settingsSaveSchema,
  signInSchema,
  takeCodeSchema,
  wearerSaveSchema,
} from '@neat-measure/contract';
import { chartSaveSchema } from '@neat-measure/contract/chart-save';
import {
  articleSaveSchema,
  bookingSaveSchema,
  countExplainedPath,
  countExplainedSchema,
  countSaveSchema,
  deliveryPath,
  deliverySchema,
  inspectionPath,
  inspectionSchema,
  keepingSaveSchema,
  moveSchema,
  orderClosedPath,
  orderClosedSchema,
  orderSaveSchema,
  receiptSchema,
  renamedPath,
  renamedSchema,
  roomSaveSchema,
  stockImportSchema,
  STORES,
} from '@neat-measure/contract/stores';
import { actSchema, deviceLineSchema } from '@neat-measure/core';
import * as z from 'zod';
import { KEYS, TEXTS, type Draw } from './draw';

/** What each route takes, by its method and path. */
const SCHEMAS: Readonly<Record<string, z.ZodType>> = {
  [`POST ${ROUTES.session}`]: signInSchema,
  [`POST ${PATHS.firstRun}`]: firstRunSchema,
  [`POST ${PATHS.takeCode}`]: takeCodeSchema,
  [`POST ${PATHS.hand}`]: handSchema,
  [`PUT ${PATHS.passphrase}`]: passphraseChangeSchema,
  [`PUT ${PATHS.benchCode}`]: benchCodeSaveSchema,
  [`PUT ${PATHS.factor}`]: factorConfirmSchema,
  [`DELETE ${PATHS.factor}`]: ownPassphraseSchema,
  [`PUT ${PATHS.preferences}`]: preferencesSchema,
  [`PUT ${selfPath(':token')}`]: selfSubmissionSchema,
  [`POST ${ROUTES.deviceLines}`]: deviceLineSchema,
  [`PUT ${ROUTES.wearers}/:id`]: wearerSaveSchema,
  [`PUT ${ROUTES.charts}/:id`]: chartSaveSchema,
  [`PUT ${chartRetiredPath(':id')}`]: chartRetiredSchema,
  [`PUT ${ROUTES.protocols}/:id`]: protocolSaveSchema,
  [`PUT ${ROUTES.selfLinks}/:id`]: selfLinkSaveSchema,
  [`PUT ${PATHS.people}/:id`]: personSaveSchema,
  [`PUT ${PATHS.settings}`]: settingsSaveSchema,
  [`PUT ${STORES.rooms}/:id`]: roomSaveSchema,
  [`PUT ${STORES.keeping}/:id`]: keepingSaveSchema,
  [`PUT ${STORES.articles}/:id`]: articleSaveSchema,
  [`PUT ${renamedPath(':id')}`]: renamedSchema.extend({ batchId: z.uuidv7() }),
  [`PUT ${STORES.receipts}/:id`]: z.union([receiptSchema, stockImportSchema]),
  [`PUT ${STORES.movements}/:id`]: moveSchema,
  [`PUT ${inspectionPath(':id', ':inspectionId')}`]: inspectionSchema,
  [`PUT ${STORES.counts}/:id`]: countSaveSchema,
  [`PUT ${countExplainedPath(':id')}`]: countExplainedSchema.extend({ batchId: z.uuidv7() }),
  [`PUT ${STORES.bookings}/:id`]: bookingSaveSchema,
  [`PUT ${STORES.orders}/:id`]: orderSaveSchema,
  [`PUT ${orderClosedPath(':id')}`]: orderClosedSchema.extend({ batchId: z.uuidv7() }),
  [`PUT ${deliveryPath(':id', ':deliveryId')}`]: deliverySchema,
};

/** The part of JSON Schema that the contract's schemas come to. */
interface Shape {
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
  readonly allOf?: readonly Shape[];
  readonly type?: string;
  readonly format?: string;
  readonly pattern?: string;
  readonly minLength?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly items?: Shape;
  readonly prefixItems?: readonly Shape[];
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly propertyNames?: Shape;
  readonly additionalProperties?: Shape | boolean;
}

const shapeOf = (schema: z.ZodType): Shape =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'inline' }) as Shape;
const SHAPES = new Map(Object.entries(SCHEMAS).map(([route, schema]) => [route, shapeOf(schema)]));
const ACTS = shapeOf(actSchema).anyOf!;

/** Whom and what a trial may name. */
export interface Known {
  readonly pen: string;
  readonly by: { readonly id: string; readonly name: string };
  readonly docketIds: readonly string[];
  readonly ids: readonly string[];
  fresh(): string;
}

/** Bodies as the contract's schemas take them, so that what lies behind the schemas is tried too. */
export class Bodies {
  constructor(
    private readonly draw: Draw,
    private readonly known: Known,
  ) {}

  /** A body for a route; `undefined` where it takes none. */
  for(method: string, path: string): unknown {
    if (path === ROUTES.acts) return { pen: this.known.pen, acts: this.acts() };
    const shape = SHAPES.get(`${method} ${path}`);
    if (shape === undefined) return undefined;
    const body = this.value(shape);
    // What would turn whoever asks out makes the rest of it dull.
    return path === PATHS.settings
      ? { ...(body as object), idleMinutes: 480, sessionHours: 14, secondFactorFor: [] }
      : body;
  }

  /** An id that stands somewhere, most of the time. */
  id(): string {
    return this.draw.int(9) === 0 ? this.known.fresh() : this.draw.one(this.known.ids);
  }

  private acts(): unknown[] {
    const { by, docketIds, fresh } = this.known;
    return Array.from({ length: 1 + this.draw.int(3) }, () => ({
      ...(this.value(this.draw.one(ACTS)) as object),
      id: fresh(),
      docketId: this.draw.int(9) === 0 ? fresh() : this.draw.one(docketIds),
      at: new Date().toISOString(),
      by,
    }));
  }

  private value(shape: Shape): unknown {
    const { draw } = this;
    // Now and then what is least expected there.
    if (draw.int(60) === 0) return draw.value();
    if ('const' in shape) return shape.const;
    if (shape.enum !== undefined) return draw.one(shape.enum);
    const some = shape.anyOf ?? shape.oneOf;
    if (some !== undefined) return this.value(draw.one(some));
    if (shape.allOf !== undefined) return this.value(shape.allOf[0]!);
    switch (shape.type) {
      case 'object':
        return this.object(shape);
      case 'array':
        return this.array(shape);
      case 'string':
        return this.text(shape);
      case 'integer':
      case 'number':
        return this.number(shape);
      case 'boolean':
        return draw.int(1) === 1;
      case 'null':
        return null;
      default:
        return draw.value();
    }
  }

  private object({ properties = {}, required = [], additionalProperties, propertyNames }: Shape): object {
    const { draw } = this;
    const own = Object.entries(properties)
      .filter(([key]) => required.includes(key) || draw.int(2) > 0)
      .map(([key, shape]) => [key, this.value(shape)] as const);
    if (typeof additionalProperties !== 'object') return Object.fromEntries(own);
    const names = Array.from({ length: draw.int(3) }, () =>
      propertyNames?.enum === undefined ? draw.one(KEYS) : String(draw.one(propertyNames.enum)),
    );
    return Object.fromEntries([
      ...own,
      ...names.map((name) => [name, this.value(additionalProperties)] as const),
    ]);
  }

  private array({ items, prefixItems, minItems = 0, maxItems = 4 }: Shape): unknown[] {
    if (prefixItems !== undefined) return prefixItems.map((shape) => this.value(shape));
    const many = Math.max(minItems, this.draw.int(Math.min(maxItems, 4)));
    return Array.from({ length: many }, () => this.value(items ?? {}));
  }

  private text({ format, pattern, minLength = 0 }: Shape): string {
    if (pattern?.includes('quarantine') === true)
      return this.draw.one([`${this.id()}/shelf`, `${this.id()}/drying`, 'maker', 'wearer', 'waste']);
    if (format === 'date')
      return new Date(Date.now() + (this.draw.int(60) - 30) * 86_400_000).toISOString().slice(0, 10);
    if (format === 'uuid' || format === 'uuidv7' || pattern?.includes('[0-9a-fA-F]{8}') === true)
      return this.id();
    if (format === 'date-time') return new Date().toISOString();
    if (pattern?.includes('\\d') === true) return '123456';
    const text = this.draw.int(3) === 0 ? this.draw.one(TEXTS) : this.draw.one(LIKELY);
    return text.padEnd(minLength, 'x');
  }

  private number({ minimum = -100, maximum = 2_000_000 }: Shape): number {
    const least = Math.max(minimum, -2_000_000);
    return Math.round(least + (this.draw.int(1_000) / 1_000) * (Math.min(maximum, 2_000_000) - least));
  }
}

/** What mostly stands where a text is wanted. */
const LIKELY = [
  'chest-girth',
  'M',
  '38-40',
  '98',
  '98 cm',
  'Watch coat',
  'low-tide-table',
  'S',
  'derived:leg',
  'top',
];
