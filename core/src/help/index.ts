export { meaningOf, terms, type Term } from './terms.js';
export { topicOf, topics, type Topic } from './topics.js';
