/**
 * The shop plan as constraints, for a solver that proves: the same rules the checker holds a plan against, written down
 * once more and searched in another way. Times are in units of the data's own grid.
 *
 * A visit is named by the first of its jobs; `first` and `last` are of a job's set-up group in its visit. What is decided
 * first is what costs most: until when trailers are held, then how late what is.
 */
export const PROOF_MODEL = `
include "cumulative.mzn";
include "value_precede.mzn";
int: n; set of int: J = 1..n;
int: bayCount; set of int: B = 1..bayCount;
int: people; set of int: K = 1..people;
int: horizon; int: shunt; int: most;
array[J] of int: minutes; array[J] of int: needs; array[J] of int: release;
array[J] of int: due; array[J] of int: late;
array[J] of int: trailer; array[J] of int: group; array[J] of int: off; array[J] of int: on;
array[J] of bool: holds;
array[J] of set of int: bays; array[J] of set of int: crew; array[J] of set of int: after;
int: closings; array[1..closings] of int: closedBay; array[1..closings] of int: closedFrom; array[1..closings] of int: closedTo;
int: absences; array[1..absences] of int: awayWho; array[1..absences] of int: awayFrom; array[1..absences] of int: awayTo;
int: likes; array[1..likes] of int: likeOne; array[1..likes] of int: likeOther;
array[int] of set of int: crews; array[int] of set of int: rooms;
int: heldWeight; int: setupWeight; int: spanWeight;

array[J] of var 0..horizon: start;
array[J] of var 0..horizon: end;
array[J] of var 0..max(minutes) + max(off) + max(on) + shunt: length;
array[J] of var 0..horizon: visitFrom;
array[J] of var 0..horizon: visitTo;
array[J] of var J: visit;
array[J] of var B: bay;
array[J, K] of var bool: does;
array[J] of var bool: first;
array[J] of var bool: last;
array[J] of var bool: opens;
array[J, J] of var bool: before;

constraint forall(j in J)(bay[j] in bays[j] /\\ visit[j] in {k | k in J where k <= j /\\ trailer[k] = trailer[j]});
constraint forall(j in J)(visit[visit[j]] = visit[j]);
constraint forall(j in J)(start[j] >= release[j] /\\ end[j] = start[j] + length[j] /\\ visitFrom[j] <= start[j] /\\ visitTo[j] >= end[j]);
constraint forall(j in J)(length[j] = minutes[j] + off[j] * first[j] + on[j] * last[j] + shunt * opens[j]);
constraint forall(i, j in J where i != j)(before[i, j] -> end[i] <= start[j]);
constraint forall(i in J)(not before[i, i]);
constraint forall(i, j in J where i < j)(not (before[i, j] /\\ before[j, i]));
constraint forall(j in J, i in after[j])(before[i, j]);

% A bay holds one visit at a time, in its hours.
constraint forall(i, j in J where i < j /\\ trailer[i] != trailer[j] /\\ card(bays[i] intersect bays[j]) > 0)(
  bay[i] = bay[j] -> (before[i, j] /\\ visitTo[i] <= visitFrom[j]) \\/ (before[j, i] /\\ visitTo[j] <= visitFrom[i]));
constraint forall(j in J, c in 1..closings where closedBay[c] in bays[j])(
  bay[j] = closedBay[c] -> end[j] <= closedFrom[c] \\/ start[j] >= closedTo[c]);

% Of bays that are alike in everything the one named first is taken first.
constraint forall(l in 1..likes)(value_precede(likeOne[l], likeOther[l], bay));

% A trailer is in one visit at a time, and in it at one job at a time.
constraint forall(i, j in J where i < j /\\ trailer[i] = trailer[j])(
  (before[i, j] \\/ before[j, i]) /\\
  (visit[i] = visit[j] -> bay[i] = bay[j] /\\ visitFrom[i] = visitFrom[j] /\\ visitTo[i] = visitTo[j]) /\\
  (visit[i] != visit[j] -> (before[i, j] -> visitTo[i] <= visitFrom[j]) /\\ (before[j, i] -> visitTo[j] <= visitFrom[i])));

% A technician does one job at a time, inside a shift, and has the skill.
constraint forall(j in J)(sum(k in crew[j])(does[j, k]) = needs[j] /\\ forall(k in K diff crew[j])(not does[j, k]));
constraint forall(i, j in J where i < j)(
  forall(k in crew[i] intersect crew[j])(does[i, k] /\\ does[j, k] -> before[i, j] \\/ before[j, i]));
constraint forall(j in J, a in 1..absences where awayWho[a] in crew[j])(
  does[j, awayWho[a]] -> end[j] <= awayFrom[a] \\/ start[j] >= awayTo[a]);

% Set-up is paid once per trailer, axle and visit, by its first job and its last; moving in by the first of the visit.
constraint forall(j in J)(
  first[j] = forall(i in J where i != j /\\ group[i] = group[j] /\\ group[j] > 0)(visit[i] = visit[j] -> before[j, i]) /\\
  last[j] = forall(i in J where i != j /\\ group[i] = group[j] /\\ group[j] > 0)(visit[i] = visit[j] -> before[i, j]) /\\
  opens[j] = forall(i in J where i != j /\\ trailer[i] = trailer[j])(visit[i] = visit[j] -> before[j, i]));

% What holds a trailer is in its first visit.
constraint forall(i, j in J where i != j /\\ trailer[i] = trailer[j] /\\ holds[i])(
  if holds[j] then visit[i] = visit[j] else visit[i] = visit[j] \\/ before[i, j] endif);

% Implied: what crews and bays can carry as wholes.
constraint forall(who in crews)(
  let {
    array[int] of int: own = [j | j in J where crew[j] subset who];
    array[int] of int: away = [a | a in 1..absences where awayWho[a] in who];
  } in cumulative(
    [start[j] | j in own] ++ [awayFrom[a] | a in away],
    [length[j] | j in own] ++ [awayTo[a] - awayFrom[a] | a in away],
    [needs[j] | j in own] ++ [1 | a in away],
    card(who)));
constraint forall(which in rooms)(
  let { array[int] of int: own = [j | j in J where bays[j] subset which] } in
  cumulative([start[j] | j in own], [length[j] | j in own], [1 | j in own], card(which)));

array[int] of int: heldBy = [j | j in J where holds[j] /\\ forall(i in 1..j - 1)(not (holds[i] /\\ trailer[i] = trailer[j]))];
array[index_set(heldBy)] of var 0..min(horizon, most div max(1, heldWeight)): until;
constraint forall(h in index_set(heldBy), j in J where holds[j] /\\ trailer[j] = trailer[heldBy[h]])(until[h] >= end[j]);
array[J] of var 0..horizon: lateness;
constraint forall(j in J)(if late[j] > 0 then lateness[j] >= end[j] - due[j] /\\ lateness[j] <= most div late[j] else lateness[j] = 0 endif);
var 0..horizon: span;
constraint forall(j in J)(span >= end[j]);
var 0..most: cost;
constraint cost >= heldWeight * sum(until) + sum(j in J)(late[j] * lateness[j])
  + setupWeight * sum(j in J)(length[j] - minutes[j]) + spanWeight * span;
solve :: seq_search([
  int_search(until, largest, indomain_split),
  int_search(lateness, largest, indomain_split),
  int_search(length, largest, indomain_min),
  int_search([span], input_order, indomain_split),
  int_search(start, smallest, indomain_min),
]) minimize cost;
`;
