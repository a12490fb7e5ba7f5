/** Each look at a global goes through Jest's sandbox, which takes longer than what is done with it: these are handed in. */
module.exports = [
  'Array',
  'Error',
  'Float64Array',
  'Infinity',
  'JSON',
  'Map',
  'Math',
  'Number',
  'Object',
  'RangeError',
  'Set',
  'String',
  'WeakMap',
];
