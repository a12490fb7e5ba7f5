/** Half a page on how something is found out here, and why so. */
export interface Topic {
  id: string;
  title: string;
  /** Paragraphs. */
  text: readonly string[];
  /** What is computed, as it is written in a book. */
  formula: string;
  /** Where that is to be read. */
  source: string;
}

export const topics: readonly Topic[] = [
  {
    id: 'circuit',
    title: 'Where the volts on the wires come from',
    text: [
      'At every change the whole circuit is solved: as many equations as there are nets, each saying that the currents into it add up to nothing. Semiconductors bend, so the equations are solved again and again around the last answer until it stands still.',
      'What you see at rest is the quiescent state: power has been on for long and nothing happens. Move the time in the strip below, and you see the circuit at that moment of the scene, with what charged or warmed up until then.',
      'A wire shows the volts of its net against ground and the current along it. Switch to amps for the currents, or to the table for both in words.',
    ],
    formula: 'Σ i = 0 at every net; J(vₖ)·(vₖ₊₁ − vₖ) = −f(vₖ) until both stand still',
    source:
      'Kirchhoff’s laws; modified nodal analysis: Ho, Ruehli, Brennan, IEEE Trans. Circuits Syst. 22, 1975; Newton’s method',
  },
  {
    id: 'findings',
    title: 'How mistakes are found, and what a cure promises',
    text: [
      'Rules look at the solved circuit at rest, with every output on, and in each happening. What follows from one mistake is folded under it: a missing ground wire makes a dozen readings wrong, and is told once.',
      'Each cure is tried before it is offered. It must make its finding go away, bring no new one, and turn no verdict for the worse. What would harm is not offered, and the card says so.',
      'A finding that is no mistake in your case can be kept with your reason; it then stands with the design and no longer counts.',
    ],
    formula: 'offered only if: finding gone ∧ no new finding ∧ no verdict worse',
    source: 'own convention; limits and their sources stand in docs/findings.md',
  },
  {
    id: 'threshold',
    title: 'Where the line should stand',
    text: [
      'Between what is read at rest and what is read when the wanted thing happens there must be room. Take readings of both, on the bench or from a log, and the chart shows both heaps with the line between them.',
      'From the readings follow both errors: how often it would fire at rest, and how often it would miss. Few readings prove little: of 20 quiet ones none beyond the line says only that it fires on fewer than 14 in a hundred, with 95 % confidence.',
      'The best line is where both errors together cost least, with a miss weighed as many false alarms as you say.',
    ],
    formula: 'none of n beyond the line: p ≤ 1 − 0.05^(1/n), at 95 % confidence',
    source: 'exact bounds of a share: Clopper, Pearson, Biometrika 26, 1934',
  },
  {
    id: 'act',
    title: 'What the controller does',
    text: [
      'Each rule is a sentence: when something holds, something is done, until it ends. Where two rules want one output differently, the upper one decides.',
      'Modes say when rules hold at all: off, armed with time to leave, alarm. The chart shows them as a state machine; one mode is on at any time.',
      'What is told as true whatever happens is proven by going through every state the program can be in, not by trying.',
    ],
    formula: 'state′, events = step(state, readings, t), once for every reading',
    source: 'Harel, Statecharts, Sci. Comput. Program. 8, 1987; W3C SCXML, 2015',
  },
  {
    id: 'rehearse',
    title: 'How a verdict is given',
    text: [
      'The scene is played against the circuit in time: charges take their time, filters lag, relays bounce, the program reads as often as it says and sleeps when it sleeps. Noise is drawn from the seed.',
      'A happening is felt from when it changes any sensor by more than a hundredth. It is noticed if a part acts because of it: what was on already tells nothing, nor does what would have come without it.',
      'Press a verdict and you see the chain from what was felt to what acted, with the moment of each link; a miss tells the link at which it broke, and what would mend it.',
    ],
    formula: 'noticed ⇔ something acts in time that does not act when the happening is left out',
    source:
      'own convention; the integrator is a stiffly accurate SDIRK method: Hairer, Wanner, Solving ODEs II, IV.6',
  },
  {
    id: 'lasts',
    title: 'How long it lasts',
    text: [
      'Days are taken to be alike: the scene comes once in each, the rest of the day nothing happens, light and air stay as they are. Both are followed in time with the battery as full as it then is, and tell how much of its charge such a day takes.',
      'That is done anew as it runs down, a fifth of its charge at a time, until something is no longer so: the controller’s supply falls below what it runs on, a wanted happening is no longer noticed, it fires falsely where it did not, or the battery is empty. Where a panel or a charger gives as much as is taken it lasts for good.',
      'Contacts are worn when they have been switched as often as they bear under load. Rods and pads in water are eaten by the charge that goes through them one way (Faraday’s law). How sensors age otherwise or are fouled is not computed.',
    ],
    formula:
      'dq/dt = −(n·Q scene + (1 day − n·T)·I rest) / 1 day, by the midpoint rule over q; n scenes of T a day',
    source:
      'charge balance; midpoint rule: Hairer, Nørsett, Wanner, Solving ODEs I, II.1; 50,000 operations of small relays under load: common practice',
  },
  {
    id: 'compare',
    title: 'How sensors are compared',
    text: [
      'Each sensor that feels what must be noticed is wired as it usually is, on a bench of its own, with a controller, what the brief answers with (a buzzer where it does not say) and a rule; where the brief wants no controller, a comparator then takes its place. What the brief asks then happens in scenes by day, by night, or both. Its line is set in the middle between rest and what must be noticed, clear of what must not set it off where that can be; it is read ten times while it is felt.',
      'What stands here is what the rehearsal of that design gave: its delay, its current, what fooled it. One that notices all stands before one that does not, then the marks decide: each from 0 to 100, weighed by what counts to you. Quiet: the share of nuisances that leave it quiet. Clear: ten standard deviations of the readings at rest are full marks. Fast and little current: by ratio to the best. Few parts: halved by each two parts around it.',
      'Over many nights every part is anywhere within its tolerance, and air, supply, strength and place differ as usual.',
    ],
    formula: 'mark = Σ weight · mark of each ⁄ Σ weight',
    source: 'The weighing is own convention; everything else is rehearsed.',
  },
  {
    id: 'coverage',
    title: 'Where it is noticed, and the easiest way in',
    text: [
      'The plan is looked over in some thousand cells. In each someone is put who goes four ways, and the same physics as in a rehearsal tells what every sensor then feels: walls, cones, reach, how far away, how fast across and how fast nearer. What it takes to trip a channel is read off the solved circuit. How many readings in a row it takes, and how long it lasts, is not counted here: that is rehearsed.',
      'A motion module sees who goes across from about three times as far as who comes straight at it: such ground is noticed only going some ways.',
      'The easiest way in is that on which least is noticed, and of these the shortest, on a grid of a decimetre or more with eight ways to go; a metre that is noticed counts as a thousand metres of detour. It goes from any entrance, or from the edge of the plan where none is given, through doors and gaps, and through no wall and no window.',
    ],
    formula: 'cost of a step = length · (1, or 1 + 1000 where it is noticed)',
    source: 'Dijkstra, Numerische Mathematik 1, 1959; the physics as in the catalogue.',
  },
  {
    id: 'site',
    title: 'The plan of the place: what stands in the way',
    text: [
      'What is drawn counts in every rehearsal. A wall takes what its material does: of light and near infrared all but through glass, of warmth all, of sound and radio so many decibels. A door is of boards and shut, a window is a pane, a gap is nothing. Leaves hide what is seen and weaken radio and echoes by how far the way goes through them.',
      'Heights count between two that tell theirs: over a wall or a tree that is lower one sees, and a beam goes over the cat. A sensor that tells its height sees the part of someone that is nearest in height, and may look down. Where one of two does not tell its height, both are taken to be level.',
      'Rooms only divide the ground: in each it is told how much is noticed. Of a room whose outline crosses itself nothing is told. North may be turned; the sides of the plan are then called right and up.',
    ],
    formula: 'cos(angle) = cos(bearing)·cos(tilt)·cos(elevation) − sin(tilt)·sin(elevation)',
    source:
      'Scalar product of two directions; leaves as CCIR Report 236-2, 1986; materials as in “What is heard, and the sun” and “What arrives by radio”.',
  },
  {
    id: 'places',
    title: 'Places that are suggested, and rings',
    text: [
      'Places along the edge of the plan, on both sides of walls and, for what feels all around, on the ground are tried, looking eight ways. Sensors are put one after the other where the easiest way in that is left costs most, then each again with the others where they are, three times over at most. Ways are looked at on a grid of 600 points while places are sought, and the last sensor once more on the fine grid; no better place is ruled out by that. A place from which something is noticed on its way in the scene that must not be counts a tenth.',
      'To close a blind path, one more is put besides, then two, until nothing can come in unnoticed; more than eight are not tried. Each is wired as the one that it is like, read by a channel of its own, and whatever that one begins it begins too.',
      'In a ring all look outwards from one point. How far to the side one notices something as far away is read off the solved circuit and its cone, walls left out; of what goes, what comes straight at it is taken, which is felt least. Something that flickers counts as noticed when any of eleven looks notices it.',
    ],
    formula: 'number in a ring = ⌈180° / how far to the side one notices⌉',
    source:
      'Greedy choice with local search (Nemhauser, Wolsey and Fisher, Mathematical Programming 14, 1978); the physics as in the catalogue.',
  },
  {
    id: 'reach',
    title: 'What is heard, and the sun',
    text: [
      'A sounder is taken as loud as it is rated at 1 m, weighted by its tone, and 6 dB fainter each time it is twice as far; walls between take what their material does. Rooms, which throw sound back, and what goes around a wall are left out. An alarm is said to be heard over all else from 15 dB above what is there (common practice); 45 dB(A) is what is mostly allowed at a window by night: ask what holds where you are.',
      'The sun blinds a sensor when it stands within the half-angle of where it looks. That is told for a clear sky, in solar time, past walls and trees that tell their height where the sensor tells its own; panes let it by: noon is when the sun is in the south, or in the north beyond the tropic.',
    ],
    formula: 'L = L₁ + A(f) − 20·lg d − walls',
    source:
      'IEC 61672-1 (A-weighting); Cooper, Solar Energy 12, 1969; sound reduction of walls from memory.',
  },
  {
    id: 'radio',
    title: 'What arrives by radio',
    text: [
      'A radio signal loses what free space, the walls and leaves take; what is left over the faintest that its fellow receives is the margin, and 20 dB of it are wanted for people, leaves and rain (common practice). Straight antennas of no gain on both sides and flat ground are taken; a hill is a wall of earth. Where a wall tells its height, and so do both ends, the signal also goes over its top as over a knife edge, 6 dB weaker where it just sees over, and what takes less counts. The zone around the line of sight should be free for six tenths of its radius. Where it does not arrive, other radios on the plan may pass it on: the way of fewest legs is taken, each with the wanted margin, and each radio passes on to one only, so that no message goes round.',
    ],
    formula:
      'margin = 10·lg(sent/faintest) − 20·lg(4πd/λ) − walls − leaves;  over a top 6.9 + 20·lg(√((v − 0.1)² + 1) + v − 0.1), v = h·√(2/λ·(1/d₁ + 1/d₂))',
    source:
      'ITU-R P.525 (free space), P.526 (Fresnel zones, knife edges), P.2040-3 (materials), CCIR Report 236-2 (leaves); fewest legs by Dijkstra, Numerische Mathematik 1, 1959.',
  },
  {
    id: 'either-or',
    title: 'Either or: what the other way costs and gains here',
    text: [
      'Makers settle some things one way or the other: one reading or several in a row, looking now and then or an interrupt, a fixed line or one measured from what is learnt, an alarm that resets itself or latches, a module that holds or a rule, a transistor or a relay, a line in the program or at a trimmer, a controller or none. Each that the design could have the other way is changed, and all its scenes are rehearsed in time, as it stands and so changed. What differs is told with both numbers; what does not differ in these scenes may in others.',
      'A line that is measured from what is learnt is put where the fixed one is. A trimmer has the line where the program had it, in volts at the pin; without a controller a comparator has it, and nothing holds, counts or takes several readings. How long something acts is the sum over all that acts.',
    ],
    formula: 'told = all that is other between a rehearsal as it stands and one changed',
    source: 'Rehearsals in time of the design itself.',
  },
  {
    id: 'beam-pairs',
    title: 'Two beams, and which way one goes',
    text: [
      'Two beams tell which way one goes while the time between them is longer than the difference that their readings in a row can make, h readings every T: h·T at the latest for one against (h − 1)·T at the earliest for the other. Between two who follow each other both must clear, which takes their readings in a row to clear.',
      'Each receiver on the plan is taken with the nearest lamp that looks at it and at which it looks, to 20°; two that lie within 30° of each other are a pair, and how far one lies from the other is what is between them. A program has still to tell the order: it trips the channels one after the other, and that is all that is promised here.',
      'Where beams cross, who breaks both is at the crossing. Two people who break four beams may stand at either of two pairs of crossings: a third way of looking, or what was there before, has to tell.',
    ],
    formula: 'fastest = apart/(h₁·T₁ − (h₂ − 1)·T₂);  gap = walking pace · h to clear · T',
    source: 'Worked out from the readings; walking pace 1.3 m/s (common practice).',
  },
  {
    id: 'nights',
    title: 'What many nights tell that one does not',
    text: [
      'One rehearsal is one draw of the noise, with every part exactly as printed. In many nights each night draws parts within their tolerance, places and supplies within what you say, and its own noise.',
      'What comes out is a share with its bounds: 198 of 200 nights noticed means that the true share lies between 96 and 99.9 per cent, with 95 % confidence. More nights narrow it by the root of their number.',
      'Alarms that nothing brought about are told as a rate: once in so many days.',
    ],
    formula: 'p low: P(X ≥ k) = 2.5 %; p high: P(X ≤ k) = 2.5 %; X binomial with n nights and p',
    source:
      'exact bounds of a share: Clopper, Pearson, Biometrika 26, 1934; of a rate: Garwood, Biometrika 28, 1936',
  },
];

/** The page of a topic. @throws RangeError for one that is not there */
export function topicOf(id: string): Topic {
  const found = topics.find((t) => t.id === id);
  if (!found) throw new RangeError(`There is no help on "${id}".`);
  return found;
}
