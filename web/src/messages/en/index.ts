import app from './app.json';
import costs from './costs.json';
import customers from './customers.json';
import cut from './cut.json';
import finished from './finished.json';
import learning from './learning.json';
import make from './make.json';
import measures from './measures.json';
import orders from './orders.json';
import patterns from './patterns.json';
import piece from './piece.json';
import plan from './plan.json';
import shared from './shared.json';
import stock from './stock.json';
import terms from './terms.json';
import today from './today.json';
import workshop from './workshop.json';

/** All that is shown, in files by feature; no two of them name the same message. */
export default {
  ...app,
  ...costs,
  ...customers,
  ...cut,
  ...finished,
  ...learning,
  ...make,
  ...measures,
  ...orders,
  ...patterns,
  ...piece,
  ...plan,
  ...shared,
  ...stock,
  ...terms,
  ...today,
  ...workshop,
};
