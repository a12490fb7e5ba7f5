export { behaviourOf, failings, tellsApart, type Behaviour } from './behaviour.js';
