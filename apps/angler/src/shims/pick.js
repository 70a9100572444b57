/**
 * Stands in for react-native-web's `modules/pick`, which forwards only the properties on a list:
 * `accessibilityState` is not on it, so checked, selected, expanded, disabled and busy would never reach the page.
 */
const ariaOf = { checked: 'aria-checked', selected: 'aria-selected', expanded: 'aria-expanded', disabled: 'aria-disabled', busy: 'aria-busy' };

export default function pick(props, list) {
  const picked = {};
  for (const key of Object.keys(props)) {
    if (list[key] === true) picked[key] = props[key];
  }
  const state = props.accessibilityState;
  if (state) {
    for (const [name, aria] of Object.entries(ariaOf)) {
      if (state[name] !== undefined && list[aria] === true && picked[aria] === undefined) picked[aria] = state[name];
    }
  }
  return picked;
}
