/**
 * What stands under a name that a person chose: a size may be called `constructor`, which every
 * object has something under that nobody wrote there.
 *
 * @example named({ S: 1 }, 'S') // 1
 * @example named({ S: 1 }, 'constructor') // undefined
 */
export function named<Value>(record: Readonly<Record<string, Value>>, name: string): Value | undefined {
  return Object.hasOwn(record, name) ? record[name] : undefined;
}
