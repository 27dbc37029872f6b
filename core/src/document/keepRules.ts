/**
 * The validation library works out the rules of a class anew for each object it validates, from all classes there are. A class has
 * its rules from the moment it stands, so they are worked out once: posts of captures and answers with hundreds of parts are checked
 * at half the cost.
 */
import { getMetadataStorage } from 'class-validator'

type Storage = ReturnType<typeof getMetadataStorage>
type Find = Storage['getTargetValidationMetadatas']
type Rules = ReturnType<Find>

/** @param storage of the library; changed in place */
export const keepRules = (storage: Storage): void => {
  const find: Find = storage.getTargetValidationMetadatas.bind(storage)
  const group = storage.groupByPropertyName.bind(storage)
  const known = new Map<unknown, Rules>()
  const grouped = new WeakMap<Rules, ReturnType<typeof group>>()

  storage.getTargetValidationMetadatas = (target, schema, always, strictGroups, groups) => {
    // what is nested is asked for with the name of its owner, which only means something where a schema of that name is registered;
    // rules of ours have none, and no groups: whoever asks for some gets what the library says
    const isOfSchema = schema !== '' && storage['validationMetadatas'].has(schema)
    if (isOfSchema || (groups && groups.length > 0)) return find(target, schema, always, strictGroups, groups)
    const rules = known.get(target) ?? find(target, schema, always, strictGroups, groups)
    known.set(target, rules)
    return rules
  }
  storage.groupByPropertyName = (rules) => {
    const groups = grouped.get(rules) ?? group(rules)
    grouped.set(rules, groups)
    return groups
  }
}
