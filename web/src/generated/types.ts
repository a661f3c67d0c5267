// Written by “go run ./cmd/generate” from Go's types; change those.

// core/stage/document

/** AngleUnit is the unit of a bare angle. */
export type AngleUnit = 'radian' | 'degree';

/** ColumnSteps is what is taken of neighbouring rows. */
export type ColumnSteps = 'differences' | 'secondDifferences' | 'ratios';

/** Corner is where a text stands on a panel. */
export type Corner = 'topLeft' | 'topRight' | 'bottomLeft' | 'bottomRight';

/** Finding names what the core finds out about a function of one variable. */
export type Finding = 'domain' | 'range' | 'yIntercept' | 'zeros' | 'maxima' | 'minima' | 'inflections' | 'increasing' | 'decreasing' | 'concaveUp' | 'concaveDown' | 'verticalAsymptotes' | 'horizontalAsymptotes' | 'obliqueAsymptotes' | 'holes' | 'jumps' | 'period' | 'amplitude' | 'centreLine' | 'symmetry' | 'quarterPoints';

/** FitForm is the way in which a fitted function is written. */
export type FitForm = '' | 'vertex' | 'factored' | 'shift' | 'doubling';

/** LabelKind says what a label tells. */
export type LabelKind = 'name' | 'formula' | 'coordinates' | 'words' | 'none';

/** LabelSize is how large a label is. */
export type LabelSize = 'small' | 'large';

/** LinePattern tells lines apart without colour. */
export type LinePattern = 'whole' | 'dashed' | 'dotted';

/** PanelKind says what a panel shows. */
export type PanelKind = 'plane' | 'circle' | 'space';

/** PointShape tells points apart without colour. */
export type PointShape = 'disc' | 'ring' | 'square' | 'diamond' | 'triangle' | 'cross';

/** Rest is how what has not been run through yet is drawn. */
export type Rest = 'faint' | 'hidden' | 'whole';

/** StatedKind says what an entry states. */
export type StatedKind = 'function' | 'parameter' | 'data';

/** SweepWay is the way of a sweep. */
export type SweepWay = 'once' | 'round' | 'backAndForth';

/** TickStyle says how an axis is numbered. */
export type TickStyle = 'numbers' | 'pi' | 'degrees';

/** Weight is how strong a line is. */
export type Weight = 'thin' | 'bold';

/** Column is a column of data: what was typed, or what is computed. */
export interface Column {
  /** Name stands at its head and, where it is a letter, in formulas; Unit behind it. */
  name: string;
  unit?: string;
  /** Cells are the rows from the top: numbers, fractions or multiples of π as they are typed, empty where nothing stands. */
  cells?: string[];
  /** Formula computes each row from the other columns' letters and the dials. */
  formula?: string;
  /** Steps computes it from one row to the next of the column Of. */
  steps?: ColumnSteps;
  of?: string;
}

/** Fit makes a function the model of a kind that lies nearest to data. */
export interface Fit {
  model: string;
  /** Data is the id of the data, X and Y name its columns. */
  data: string;
  x: string;
  y: string;
  /** Rows are the only rows that count, from 0; none stands for all. Two make a line that goes through both. */
  rows?: number[];
  /** Decimals is how many decimals its coefficients are written with at least; 0 means three. */
  decimals?: number;
  /** Form is the way in which it is written: in general, with the vertex, as factors, with the shift, with the time of doubling. */
  form?: FitForm;
}

/** Document is one demonstration. */
export interface Document {
  format: string;
  version: number;
  title: string;
  /** AngleUnit is “radian” or “degree”, for every bare angle. */
  angleUnit: AngleUnit;
  /** DecimalComma tells that formulas are typed, and numbers written, with the decimal comma. */
  decimalComma?: boolean;
  /** LinkedWindows lets every panel show the same window: zoomed or panned in one, all follow. */
  linkedWindows?: boolean;
  panels: Panel[];
  stated: Stated[];
  /** Shown is what is drawn on the stage, Said what is written on it and beside it. */
  shown: Entry[];
  said: Entry[];
  scenes: Scene[];
  /** Issued holds, for the letters of an id, the highest number behind them that was taken out: no id is used again. */
  issued?: Record<string, number>;
  /** Gone are names of functions that were deleted while something used them. */
  gone?: string[];
}

/** Panel is one picture area of the stage. */
export interface Panel {
  id: string;
  kind: PanelKind;
  /** Window is the part of the plane that is seen; with EqualScales more is seen in width or height, about its middle, as the panel's shape demands. */
  window: Window;
  equalScales: boolean;
  grid: boolean;
  /** Polar draws the grid as circles and rays. */
  polar?: boolean;
  axes: boolean;
  ticksX: TickStyle;
  ticksY: TickStyle;
  /** TicksBefore is how the x-axis is numbered in the other unit of angles, where that is not the usual way. */
  ticksBefore?: TickStyle;
  /** StepX and StepY are the distances between the numbers; 0 leaves them to the window. */
  stepX?: number;
  stepY?: number;
  /** NameX and NameY stand at the ends of the axes, such as t or “time in s”; none stands for the functions' letter, and y. */
  nameX?: string;
  nameY?: string;
  /** NameZ is that of the third axis of a space panel; Tall is how high its box is, as a share of its floor's side, where the scales are not equal; 0 means 0.7. */
  nameZ?: string;
  tall?: number;
  /** Title and Caption are words above the panel. */
  title?: string;
  caption?: string;
  /** Legend names the curves in the emptiest corner instead of at themselves. */
  legend?: boolean;
  /** Values are the panel's own values of parameters, by name: their dials do not move this panel. */
  values?: Record<string, number>;
}

/** Window is the visible part of the plane. */
export interface Window {
  left: number;
  right: number;
  bottom: number;
  top: number;
  /** Space is what a space panel's has beyond that. */
  space?: Sight;
}

/** Stated is a function, a parameter or data. */
export interface Stated {
  id: string;
  kind: StatedKind;
  /** Name is a letter with an index; that of data is in words. */
  name: string;
  /** Variables and Formula define a function; Formula is what stands after “=”. With Fit the formula follows from data. */
  variables?: string[];
  formula?: string;
  fit?: Fit;
  /** Columns are those of data. */
  columns?: Column[];
  /** From, To and Step are formulas without parameters; a parameter's steps count from From. */
  from?: string;
  to?: string;
  step?: string;
  /** StepBefore is the step in the other unit of angles, where that is no part of a turn. */
  stepBefore?: string;
  /** Whole allows whole numbers only. */
  whole?: boolean;
  /** Colour is the number of the parameter's colour, the same in dial, formulas and words. */
  colour?: number;
  sweep?: Sweep;
  /** Locked keeps students from moving it; Hidden takes its dial off the deck. */
  locked?: boolean;
  hidden?: boolean;
}

/** Scene is a kept state. */
export interface Scene {
  id: string;
  name: string;
  /** Values are the starting values of the parameters, by name. */
  values: Record<string, number>;
  /** Steps tells, by the id of the entry, after which step a transformation stands; one that is not named stands at its end. */
  steps?: Record<string, number>;
  /** Hidden lists the ids of what is shown or said in other scenes only. */
  hidden?: string[];
  /** Windows are those of the panels, by their ids; a panel that is not named has its own. */
  windows?: Record<string, Window>;
  /** Ink is what was written by hand on the stage. */
  ink?: InkStroke[];
  /** Held is what waits while presenting until it is revealed, in the order in which it is. */
  held?: Held[];
  /** Note is the teacher's own: aim, questions, usual mistakes. The class never sees it. */
  note?: string;
}

/** Held is an entry that a scene holds back, or its label only. */
export interface Held {
  id: string;
  labelOnly?: boolean;
}

/** Where is the place of an entry. */
export interface Where {
  /** Panels lists the ids of the panels it appears in; none means all, for a text beside the stage. */
  panels?: string[];
  /** Corner is where a text stands on its panel. */
  corner?: Corner;
}

/** InkStroke is a line that was written by hand on a panel, without lifting. */
export interface InkStroke {
  /** Panel is the panel's id. */
  panel: string;
  /** Colour is a number below InkColours: ink, red, blue, green. */
  colour: number;
  /** Points are x and y in turn, in the panel's coordinates, so that ink stays where it was written when the window moves. */
  points: number[];
}

/** Look is how an entry is drawn. */
export interface Look {
  /** Colour is the number of a colour that curves and parameters share out. */
  colour: number;
  pattern?: LinePattern;
  weight?: Weight;
  /** Shape is that of points. */
  shape?: PointShape;
  label?: LabelKind;
  /** Words are those of a label in own words. */
  words?: string;
  labelSize?: LabelSize;
}

/** Sight is what the window of a space panel has beyond x and y: the heights that are seen, and from where. That of a plane is zero. */
export interface Sight {
  low: number;
  high: number;
  /** Turn is the direction of the eye in the floor, from the x-axis towards the y-axis, and Tilt its height above the floor, in degrees. */
  turn: number;
  tilt: number;
  /** Zoom is the size of the box as a multiple of the one that fits; 0 means 1. */
  zoom?: number;
  /** Across and Up are how far the box is moved on the panel, in shares of its shorter side. */
  across?: number;
  up?: number;
  /** Perspective draws what is farther away smaller. */
  perspective?: boolean;
}

/** Sweep says how a parameter moves by itself. */
export interface Sweep {
  way: SweepWay;
  /** Seconds is the pace: the time of one run from end to end. */
  seconds: number;
  /** Every is the distance of the values at which it rests, a formula; At are further ones. Empty for a sweep that rests nowhere. */
  every?: string;
  at?: string[];
  /** Paces are stretches of values that are run through slower, or faster. */
  paces?: Pace[];
}

/** Pace is a stretch of values that takes Times as long as it would. */
export interface Pace {
  /** From and To are its ends, formulas. */
  from: string;
  to: string;
  times: number;
}

// core/stage/kinds/family

/** Given is one curve for several values of a parameter, as a document has it: those of a list, or from an end to another in steps. */
export interface Family {
  parameter: string;
  /** Values are formulas without parameters; where there are none, From, To and Step are. */
  values?: string[];
  from?: string;
  to?: string;
  step?: string;
}

// core/maths/locus

/** Feature is what is followed. */
export type Feature = 'vertex' | 'extrema' | 'maxima' | 'minima' | 'inflections' | 'zeros' | 'yIntercept' | 'intersections' | 'vertical asymptote' | 'horizontal asymptote';

// core/stage/kinds/curve

/** Body is the graph of a function. */
export interface CurveBody {
  /** Function is its name. */
  function: string;
  /** Parent draws it grey and dashed. */
  parent?: boolean;
  /** Grips lets a hand move and stretch the curve by its key points, where its form has parameters. */
  grips?: boolean;
  /** Family draws the curve once for each of several values of one parameter. */
  family?: Family;
}

// core/stage/kinds/point

/** Body is a point by its coordinates, which are formulas; with a third one it stands in space. */
export interface PointBody {
  name: string;
  x: string;
  y: string;
  z?: string;
}

// core/stage/kinds/guide

/** Direction is that of a guide. */
export type Direction = 'upright' | 'level' | 'slanted';

/** Body is a guide: upright x = At, level y = At, or slanted y = At with At a formula in x. */
export interface GuideBody {
  direction: Direction;
  at: string;
  /** Name is what the label of a slanted guide says. */
  name?: string;
}

// core/stage/kinds/trace

/** Body is the trace of a point. */
export interface TraceBody {
  /** Of is the id of the point that the trace follows. */
  of: string;
  /** Kept are recorded positions x, y, x, y … that go with the document; of a point of space x, y, z, x, y, z …. */
  kept?: number[];
  /** Apart thins the trace: its dots are at least so many pixels apart. */
  apart?: number;
  /** Space tells that what is kept are places of space. */
  space?: boolean;
}

// core/stage/kinds/finding

/** Body is what is shown of a function: its zeros as points, its asymptotes as guides … */
export interface FindingBody {
  function: string;
  finding: Finding;
}

// core/stage/kinds/steps

/** Body takes a function apart into its parent and the transformations that lead there. */
export interface StepsBody {
  function: string;
  /** Reading picks one of the right readings; 0 is the canonical one. */
  reading?: number;
}

/** View is a transformation in steps. */
export interface StepsView {
  id: string;
  /** Function and Parent are typeset; Parent is the parent's formula. */
  function: string;
  parent: string;
  /** Formulas are the function after each step. */
  formulas: string[];
  readings: ReadingOnce[];
}

/** ReadingOnce is one of the right readings of a transformation, to be chosen: its steps and why it is right too. */
export interface ReadingOnce {
  steps: string[];
  why: string;
}

/** Now is a transformation where it stands, with the values in play. */
export interface StepsNow {
  id: string;
  /** Index is the place of the entry among those that are shown. */
  index: number;
  position: number;
  sentences: string[];
  /** Keys are the parent's key points and where they are now. */
  keys: KeyMove[];
  domain: string;
  range: string;
  upright: string;
  level: string;
}

/** KeyMove is a key point before and after. */
export interface KeyMove {
  from: string;
  to: string;
}

// core/stage/kinds/path

/** Body is the whole way of a feature of a function while a parameter varies, its locus. */
export interface PathBody {
  function: string;
  feature: Feature;
  /** As is the parameter that varies. */
  as: string;
  /** With is the other function of intersections. */
  with?: string;
}

// core/stage/kinds/table

/** Body is plotted points. */
export interface TableBody {
  rows?: Row[];
  /** Grips lets a hand move the points, Joined joins them by lines. */
  grips?: boolean;
  joined?: boolean;
  /** Distances shows how far each lies from Function. */
  distances?: boolean;
  function?: string;
}

/** Row is a point of a table, each coordinate a formula without parameters, such as 1/2. */
export interface Row {
  x: string;
  y: string;
}

// core/stage/kinds/scatter

/** Residuals is how the distances from the function are drawn. */
export type Residuals = '' | 'segments' | 'squares';

/** Body is a scatter plot: the points of two columns of data. */
export interface ScatterBody {
  /** Data is the id of the data, X and Y name columns, Error one of half the lengths of error bars. */
  data: string;
  x: string;
  y: string;
  error?: string;
  /** Joined joins the points by lines in the order of the rows. */
  joined?: boolean;
  /** Grips unlocks all rows: a hand moves their points, and the rows follow. Unlocked are single rows, counted from 0. */
  grips?: boolean;
  unlocked?: number[];
  /** Function is held against the points; Residuals shows how far they lie from it. */
  function?: string;
  residuals?: Residuals;
  /** AsResiduals draws the residuals over X in the place of the points. */
  asResiduals?: boolean;
  /** Band draws the edges between which a further value lies with 95 %, Filled what the function says in rows without a value. */
  band?: boolean;
  filled?: boolean;
  /** Unmarked leaves out the rings around values that stand out. */
  unmarked?: boolean;
  /** Labels are words at single points. */
  labels?: PointLabel[];
}

/** PointLabel is a label at the point of a row, counted from 0; without words it tells the coordinates. */
export interface PointLabel {
  row: number;
  words?: string;
}

// core/stage/kinds/trajectory

/** Joining is how dots are joined; empty for not at all. */
export type Joining = 'straight' | 'smooth';

/** Piece names what is shown of a trajectory. */
export type TrajectoryPiece = 'graph' | 'ray' | 'projections' | 'velocity' | 'acceleration' | 'tangent' | 'normal' | 'accelerationParts' | 'lengthRun' | 'osculating' | 'dots' | 'directions' | 'swept' | 'inside' | 'region' | 'meetings';

/** Body is a polar curve, or a parametric one, on an interval of its parameter. */
export interface TrajectoryBody {
  /** Function is the name of the stated r of a polar curve; a parametric one has none. */
  function?: string;
  /** X and Y are the coordinates of a parametric curve, formulas in Variable. */
  x?: string;
  y?: string;
  variable?: string;
  /** From and To are the ends of the interval, formulas. */
  from: string;
  to: string;
  /** Driver is the parameter up to whose value the curve is drawn; without one it is drawn whole. */
  driver?: string;
  /** Rest is what becomes of the part that has not been run through. */
  rest?: Rest;
  /** Family draws the curve once for each of several values of one parameter. */
  family?: Family;
}

/** PartBody is one thing shown of a trajectory, mostly at the point that runs through it. */
export interface TrajectoryPartBody {
  /** Of is the id of the trajectory. */
  of: string;
  piece: TrajectoryPiece;
  /** Coordinate is that of a graph: r, x or y. */
  coordinate?: string;
  /** Step is the distance of dots by the parameter, a formula; empty for a usual one. Line joins them. */
  step?: string;
  line?: Joining;
  /** Other is the id of the second curve of a region, or of the curve that is met, which can be the graph of a function; Common is what both enclose, or what lies under the graph, else what the other does not, or what lies over it. */
  other?: string;
  common?: boolean;
  /** At is the value of the parameter at which a tangent or a perpendicular stands, a formula; empty for that of the running point. */
  at?: string;
}

/** View is what is found out about a trajectory at the values in play, and its table. */
export interface TrajectoryView {
  lines: NamedLine[];
  /** Head names the columns; a value that does not exist is “undefined”. */
  head: string[];
  rows: string[][];
  /** Numbers are the rows' numbers in full, for a file; one that does not exist is null. */
  numbers: number[][];
}

// core/stage/kinds/circle

/** Piece names what is shown of a circle. */
export type CirclePiece = 'arc' | 'angle' | 'coordinates' | 'unrolled' | 'length' | 'carried' | 'graph' | 'triangles' | 'wave';

/** Body is a circle and the angle whose point runs on it. */
export interface CircleBody {
  /** Driver is the parameter that is dragged and swept, and that the axis of the graph counts. */
  driver: string;
  /** Angle is a formula for the angle, in the demonstration's unit; empty for the driver itself. */
  angle?: string;
  /** Radius and Centre, the height of the centre, are formulas; empty for 1 and 0. */
  radius?: string;
  centre?: string;
  /** Scaled keeps the radius a length, the amplitude of the graph; else the radius is the unit of both pictures. */
  scaled?: boolean;
}

/** PartBody is one thing shown of a circle, in the circle's picture and in its graph. */
export interface CirclePartBody {
  /** Of is the id of the circle. */
  of: string;
  piece: CirclePiece;
  /** Ratio is the trigonometric function, by its short name. */
  ratio?: string;
  /** OnAxis measures tangent and cotangent on the lines x = r and y = r instead of the tangent line at the point, and secant and cosecant on the ray. */
  onAxis?: boolean;
  /** Rest is what becomes of the graph where the angle has not been yet. */
  rest?: Rest;
}

/** Now is what is told of a circle at the values in play. */
export interface CircleNow {
  id: string;
  angle: string;
  /** Hue is the number of the colour of the dial that turns it. */
  hue: number;
  ratios: RatioNow[];
  lines: NamedLine[];
}

/** RatioNow is a trigonometric function at the angle; Reason says why it has no value, Shown that something of it is seen. */
export interface RatioNow {
  ratio: string;
  hue: number;
  latex: string;
  /** Decimal stands behind an exact value where it has room. */
  decimal: string;
  reason: string;
  shown: boolean;
}

// core/stage/kinds/figure

/** Shape names a piece of geometry. */
export type FigureShape = 'segment' | 'arrow' | 'midpoint' | 'circle' | 'arc' | 'angle' | 'rightAngle' | 'polygon' | 'tangent' | 'normal' | 'intersection' | 'plane';

/** Body is a piece of geometry in the plane, live as what it hangs on. */
export interface FigureBody {
  shape: FigureShape;
  /** Points are the ids of the points that it joins, in order. */
  points?: string[];
  /** Name is that of a midpoint. */
  name?: string;
  /** Function and At are a tangent's or a normal's; Other is the second function of an intersection. */
  function?: string;
  at?: string;
  other?: string;
  /** Equation is that of a plane in x, y and z which goes through no points. */
  equation?: string;
}

// core/stage/kinds/region

/** Body is a part of the plane: what lies between two curves, or between a curve and the axis, over an interval, or where all of some conditions hold. */
export interface RegionBody {
  /** Function and Other are the names of the functions whose curves bound it; without Other it is the axis that does. */
  function?: string;
  other?: string;
  /** From and To are the ends of the interval, formulas. */
  from?: string;
  to?: string;
  /** Signed counts what lies below the other curve as negative. */
  signed?: boolean;
  /** Conditions are relations in x and y, as y ≥ x² or x² + y² < 9; with any there are no curves. */
  conditions?: string[];
}

// core/stage/kinds/parametric

/** Body is a surface (x(u, v), y(u, v), z(u, v)) over a rectangle of its parameters. */
export interface ParametricBody {
  x: string;
  y: string;
  z: string;
  /** U and V are the letters of the parameters. */
  u: string;
  v: string;
  /** FromU, ToU, FromV and ToV are the ends of the parameters, formulas. */
  fromU: string;
  toU: string;
  fromV: string;
  toV: string;
}

// core/stage/kinds/spacecurve

/** SpacePiece names what is shown of a curve in space. */
export type SpacePiece = 'shadows' | 'velocity' | 'acceleration' | 'tangent' | 'osculating';

/** Body is a curve (x(t), y(t), z(t)) on an interval of its parameter. */
export interface SpacecurveBody {
  x: string;
  y: string;
  z: string;
  variable: string;
  /** From and To are the ends of the interval, formulas. */
  from: string;
  to: string;
  /** Driver is the parameter up to whose value the curve is drawn; without one it is drawn whole. */
  driver?: string;
  /** Rest is what becomes of the part that has not been run through. */
  rest?: Rest;
  /** Pieces gives each piece between holes and breaks a colour of its own. */
  pieces?: boolean;
}

/** PartBody is one thing shown of a curve in space, mostly at the point that runs through it. */
export interface SpacecurvePartBody {
  /** Of is the id of the curve. */
  of: string;
  piece: SpacePiece;
}

// core/stage/kinds/surface

/** Axis names a coordinate of space. */
export type Axis = 'x' | 'y' | 'z';

/** SurfacePiece names what is shown of a surface. */
export type SurfacePiece = 'section' | 'levels' | 'point' | 'tangentPlane' | 'gradient' | 'slopes';

/** Body is the graph of a function of two variables, over the panel's floor or a part of it. */
export interface SurfaceBody {
  function: string;
  /** FromX, ToX, FromY and ToY are the ends of a rectangle, formulas; an empty one is the panel's. */
  fromX?: string;
  toX?: string;
  fromY?: string;
  toY?: string;
  /** Conditions are relations in x and y, all of which hold where the surface is. */
  conditions?: string[];
}

/** PartBody is one thing shown of a surface. */
export interface SurfacePartBody {
  /** Of is the id of the surface. */
  of: string;
  piece: SurfacePiece;
  /** Axis is that across which a section's plane stands, At where: a formula, mostly a dial. */
  axis?: Axis;
  at?: string;
  /** Step is the distance between level curves, a formula; empty for round values. OnFloor draws them on the floor too. */
  step?: string;
  onFloor?: boolean;
  /** X and Y are the place of what touches the surface, formulas. */
  x?: string;
  y?: string;
}

// core/stage/kinds/text

/** PieceKind says what a piece of text is. */
export type PieceKind = 'words' | 'formula' | 'value' | 'finding' | 'measure';

/** ValueForm says how a live value is written. */
export type ValueForm = 'number' | 'equation' | 'substituted';

/** Body is a text beside the picture or on it. */
export interface TextBody {
  pieces: Piece[];
}

/** Piece is a part of a text: words, a typeset formula, a live value, a live finding of the function named in Text, or the measure of the entry whose id it is. */
export interface Piece {
  kind: PieceKind;
  text: string;
  /** Finding is what is told of a function. */
  finding?: Finding;
  /** Form and Decimals belong to a live value; Decimals is the largest number of decimals, 3 when absent. */
  form?: ValueForm;
  decimals?: number;
}

// core/stage/kind

/** Line is something that is told of an entry: its name and what it is, as LaTeX. */
export interface NamedLine {
  name: string;
  latex: string;
}

// core/stage/evaluate

/** Counters count the work that was done, since the demonstration was first loaded. */
export interface Counters {
  parses: number;
  compiles: number;
  /** Runs counts evaluations by the id of the entry. */
  runs: Record<string, number>;
}

/** Suspect is a value that stands out, as another core found it: it holds while the row's values are those. */
export interface Suspect {
  row: number;
  x: number;
  y: number;
  reason: string;
}

/** Suspects are those of two columns of data. */
export interface Suspects {
  data: string;
  x: string;
  y: string;
  list: Suspect[];
}

// core/ask/study

/** Model is a kind of function held against two columns. */
export interface Model {
  name: string;
  /** LaTeX is the fitted function, y or the column's letter in front; empty where there is no best one, and Reason then says why. */
  latex: string;
  reason: string;
  /** SSE, R2, AdjustedR2 and AICc are written to be read, empty where they do not exist. */
  sse: string;
  r2: string;
  adjustedR2: string;
  aicc: string;
  /** Pattern says what the signs of the residuals tell. */
  pattern: string;
  /** Residuals are a small picture: places from 0 to 1 across, −1 to 1 up. */
  residuals: number[][];
  /** Linearised is the answer of a straight line through logarithms. */
  linearised?: string;
  /** Best tells that no model has a lower AICc. */
  best?: boolean;
}

/** Models are the models of two columns, and what differences and ratios suggest, before anything is computed. */
export interface Models {
  list: Model[];
  /** Suggested says it in words. */
  suggested: string;
  /** Points are the rows as a small picture: the row from 0, its place from 0 to 1 across and up; of very many only some. */
  points: number[][];
}

/** ColumnSummary describes a column to be read. */
export interface ColumnSummary {
  name: string;
  /** Values are those of a computed column, to be read; empty where there is none. */
  values: string[];
  /** Filled is what a function says in the rows without a value, where a scatter plot fills these; empty in the others. */
  filled?: string[];
  /** Lines are name and value: count, mean, median and so on. */
  lines: string[][];
}

/** Prediction is what a function says at an x, or where it takes a y. */
export interface Prediction {
  /** Lines are the answers in words with their numbers. */
  lines: string[];
}

// core/ask/door

/** AskKind names a question. */
export type AskKind = 'load' | 'state' | 'rename' | 'delete' | 'addParameters' | 'put' | 'upgrade' | 'decimals' | 'guides' | 'transformed' | 'stops' | 'family' | 'putData' | 'removeRow' | 'keepModel' | 'freeze' | 'models' | 'suspects' | 'summaries' | 'bestDials' | 'predict' | 'pasted' | 'move' | 'settle' | 'plot' | 'keepInk' | 'moveCurve' | 'writeAs' | 'fromParent' | 'runAlong' | 'showPiece' | 'addCircle' | 'watch' | 'trajectory' | 'addScene' | 'removeScene' | 'addSpace' | 'addSection' | 'addMap' | 'addPanel' | 'removePanel' | 'angleUnit' | 'begin' | 'beginnings' | 'gallery' | 'typeset' | 'value' | 'window' | 'draw' | 'typed' | 'describe' | 'values' | 'counters' | 'trace' | 'effect' | 'table' | 'findings' | 'compared' | 'found' | 'fit' | 'advice' | 'hear' | 'read';

/** Ask is a question or an edit that may take longer than a frame. Kind says which fields count. */
export interface Ask {
  kind: AskKind;
  /** Document is the one to load, to edit or to draw. */
  document?: Document;
  /** Text is what was typed, ID the entry or parameter, Names several names. */
  text?: string;
  id?: string;
  names?: string[];
  /** Entry is one to put, By the places to move by. */
  entry?: Entry;
  by?: number;
  /** From and Step are formulas without parameters. */
  from?: string;
  step?: string;
  /** Piece is a piece of a circle to be shown or hidden, Circle one to be put up. */
  piece?: PieceWanted;
  circle?: CircleBody;
  /** Moving is what is done to a curve. */
  moving?: Moving;
  /** Scene is the place of the scene in play. */
  scene?: number;
  /** Comma asks for the decimal comma. */
  comma?: boolean;
  /** Panel is the panel's place, Width and Height its size in pixels, Window typed ends. */
  panel?: number;
  width?: number;
  height?: number;
  window?: Window;
  /** Values are the parameters' values in play, for questions to the core that is not asked for frames. */
  values?: Record<string, number>;
  /** Steps are the positions of transformations in steps that are in play. */
  steps?: Record<string, number>;
  /** Empty asks for a panel in which nothing appears. */
  empty?: boolean;
  /** X and Y are a place on the panel in pixels. */
  x?: number;
  y?: number;
  /** Collapses tell at which values which functions are of another type. */
  collapses?: Collapse[];
  /** Found are findings to be taken in, Suspects values that stand out. */
  found?: Found;
  suspects?: Suspects;
  /** Stated are data to be put, Row is a row of data, counted from 0. */
  stated?: Stated;
  row?: number;
}

/** Answer answers an Ask; Problem is set when it could not be done. */
export interface Answer {
  problem?: Problem;
  loaded?: Loaded;
  document?: Document;
  latex?: string;
  notices?: Problem[];
  number?: number;
  numbers?: number[];
  /** sentences about what an edit did */
  told?: string[];
  space?: boolean;
  window?: Window;
  svg?: string;
  text?: string;
  values?: Record<string, number>;
  steps?: Record<string, number>;
  counters?: Counters;
  findings?: FindingsView;
  effects?: EffectView[];
  gallery?: ParentView[];
  table?: TableView;
  /** Trajectory is what is found out about a trajectory. */
  trajectory?: TrajectoryView;
  /** Beginnings are the ideas with which a demonstration can begin. */
  beginnings?: Beginning[];
  mended?: Mended;
  advice?: AdviceView;
  heard?: HeardView;
  /** Models, Suspects, Summaries, Prediction and Pasted are about data. */
  models?: Models;
  suspects?: Suspects;
  summaries?: ColumnSummary[];
  prediction?: Prediction;
  pasted?: PastedView;
  reading?: ReadingView;
}

/** PastedView is a text read as a table in one way, and in others where it can be. */
export interface PastedView {
  columns: Column[];
  /** Decimal is “.” or “,”, Words say how the text was read. */
  decimal: string;
  words: string;
  others?: PastedView[];
}

/** TableView is a table with its differences and ratios, and the type that they tell; Type is empty where x does not rise or a value is missing. */
export interface TableView {
  rows: TableRow[];
  type: string;
  reason: string;
}

/** TableRow is a row; what belongs to the step from the row before is empty in the first rows. */
export interface TableRow {
  x: string;
  y: string;
  first: string;
  second: string;
  ratio: string;
}

/** ParentView is a parent function with a small drawing: an SVG path in a box 60 wide and 44 high. */
export interface ParentView {
  kind: string;
  latex: string;
  path: string;
}

/** EffectView is what a parameter does to a function. */
export interface EffectView {
  function: string;
  lines: EffectLineView[];
  degenerate: DegenerateView[];
}

/** EffectLineView is one sentence. Feature is set where its path can be shown on the stage, X and Y where a point can. */
export interface EffectLineView {
  sentence: PieceView[];
  feature?: string;
  with?: string;
  x?: string;
  y?: string;
}

/** DegenerateView is a value of a parameter at which a function becomes one of another type, with its place on the bar. */
export interface DegenerateView {
  value: number;
  place: number;
  latex: string;
  kind: string;
}

/** FindingsView are the findings of a function at the values in play. */
export interface FindingsView {
  function: string;
  lines: FindingLine[];
  /** Same names the functions with the same graph, in LaTeX. */
  same: string[];
  /** Polar tells that the function is seen as a polar curve alone: what is found is told of its radius. */
  polar: boolean;
  /** Undecided lists, in words, what could not be found out. */
  undecided: string[];
  /** Found is what the other core needs to show and tell them. */
  found: Found;
}

/** FindingLine is one finding to be read. */
export interface FindingLine {
  finding: Finding;
  name: string;
  latex: string;
  how: string;
  /** Drawn tells that it can be shown on the stage. */
  drawn: boolean;
}

/** Mended is a panel with another window, or a demonstration with another angle unit. */
export interface Mended {
  words: string;
  window?: Window;
  equalScales?: boolean;
  angleUnit?: AngleUnit;
}

/** AdviceView points out a window in which something cannot be seen, with actions that mend it. */
export interface AdviceView {
  code: string;
  message: string;
  mends: Mended[];
}

/** HeardView is a curve as a line of tones from left to right. */
export interface HeardView {
  /** Heights are shares of the window's height; null where there is silence. */
  heights: number[];
  marks: MarkView[];
  /** Words tell the marks in their order. */
  words: string;
}

/** MarkView is a place of a curve that is marked by a tick: its share of the window's width, and what it is. */
export interface MarkView {
  at: number;
  finding: Finding;
}

/** Problem is what is wrong, in words, with its place in UTF-16 units as a page counts. */
export interface Problem {
  code: string;
  object: string;
  field: string;
  start: number;
  end: number;
  message: string;
}

/** Counters are the core's counts of work (evaluate.Counters). */
export interface Counters {
  parses: number;
  compiles: number;
  runs: Record<string, number>;
}

/** Loaded is what was understood of a document. */
export interface Loaded {
  functions: FunctionView[];
  dials: DialView[];
  shown: ShownView[];
  said: SaidView[];
  steps: StepsView[];
  /** Missing are letters without a value. */
  missing: NameView[];
  problems: Problem[];
  notices: Problem[];
}

/** NameView is a name, typeset. */
export interface NameView {
  name: string;
  latex: string;
}

/** FunctionView is a stated function, typeset. */
export interface FunctionView {
  id: string;
  latex: string;
  text: string;
  /** Simplified is what a function that uses others comes to, typeset; empty where that says no more. */
  simplified?: string;
  /** Caution is what is to be minded, in words: a fit that does not exist, a rounding that changes the curve. */
  caution?: string;
  /** Moves tells that its formula holds parameters, so that a line with their values is worth showing. */
  moves: boolean;
}

/** DialView is a parameter's dial. */
export interface DialView {
  id: string;
  name: string;
  latex: string;
  colour: number;
  from: string;
  to: string;
  /** Low and High are its ends as numbers. */
  low: number;
  high: number;
  /** share of the bar at which 0 lies, held within it */
  zero: number;
  ticks: number[];
  /** Degrees tells that it is an angle and counts degrees. */
  degrees?: boolean;
}

/** ShownView is the sentence of an entry on the stage, in pieces. */
export interface ShownView {
  id: string;
  sentence: PieceView[];
  /** Hue is the number of its colour on the stage; 8 is the parent's grey. */
  hue: number;
  /** Panels are the ids of those on which it is drawn where a scene shows it. */
  panels: string[];
}

/** SaidView is a text beside the stage. */
export interface SaidView {
  id: string;
  pieces: PieceView[];
}

/** PieceView is a piece of text: words in Text, or LaTeX. */
export interface PieceView {
  text?: string;
  latex?: string;
  live?: boolean;
  /** Waiting tells that what it says is still being computed for the values in play. */
  waiting?: boolean;
}

/** FrameTexts are the words of a frame; they are sent when they changed. */
export interface FrameTexts {
  /** Dials are the dials' values, in the order of Loaded.Dials. */
  dials: string[];
  /** Words are the numbers beside the axes and the runs of formulas in the picture. */
  words: string[];
  /** Now are the functions' formulas with values put in, in the order of Loaded.Functions; while a hand moves they are told a few times a second, and absent between. */
  now?: string[];
  /** Said are the pieces of the texts, in the order of Loaded.Said. */
  said: PieceView[][];
  /** Steps are the transformations in steps, as they stand. */
  steps: StepsNow[];
  /** Circles are the circles with their angle and ratios as they are. */
  circles: CircleNow[];
  /** Moved tells that values in play differ from the scene's. */
  moved: boolean;
  /** Coarse are the ids of the curves that the panel shows coarser than it should, or not at all: they take too much work. */
  coarse: string[];
  /** Idle names the dials that move nothing in the scene. */
  idle: string[];
  /** Inked tells that ink is in play which the document does not keep. */
  inked: boolean;
  /** LeftOut is how many labels have no room. */
  leftOut: number;
  /** Numbers are where the numbers beside the axes stand. */
  numbers: Number[];
}

/** ReadingView is a point read off a curve. */
export interface ReadingView {
  /** Function is the function's name, or the id of a parametric curve's entry. */
  function: string;
  /** XText is the place as it may be typed, LaTeX the reading. */
  xText: string;
  latex: string;
  /** Special is the finding's name that the point is a member of; Reason says why there is no value. */
  special?: string;
  reason?: string;
  /** Defined tells that there is a value; X and Y are then the point's place on the panel in pixels. */
  defined: boolean;
  x: number;
  y: number;
  /** KeepX and KeepY are the coordinates of a point that keeps the reading, as they may be typed. */
  keepX: string;
  keepY: string;
}

// core/ask/edit

/** Idea is a ready beginning of a demonstration. */
export type Idea = 'family' | 'steps' | 'types' | 'parameter' | 'beside' | 'circle' | 'wave' | 'polar' | 'parametric' | 'data' | 'surface' | 'space';

/** Transformation is what takes a polar or parametric curve to another one. */
export type Transformation = 'turned' | 'mirroredX' | 'mirroredY' | 'stretched';

/** Beginning is an idea as it is offered. */
export interface Beginning {
  idea: Idea;
  title: string;
  words: string;
}

/** PieceWanted is a piece of a circle or of a trajectory that is to be shown in a scene, or hidden there. */
export interface PieceWanted {
  of: string;
  piece: string;
  /** Ratio is the trigonometric function of a circle's piece, or the coordinate of a trajectory's graph. */
  ratio: string;
  shown: boolean;
  scene: number;
}

/** Moving is what is done to a curve, each field a formula, empty for nothing: shifts to the right and up, factors by which x and y are stretched, and reflections. */
export interface Moving {
  right: string;
  up: string;
  stretchX: string;
  stretchY: string;
  /** InX and InY reflect in the x-axis and in the y-axis. */
  inX: boolean;
  inY: boolean;
}

// core/stage/found

/** Found is what core/ask/study has found out about a function at given values of the parameters. It is an input like the recorded positions of a trace: it comes from the other core, which may take longer than a frame. */
export interface Found {
  function: string;
  /** Values are those of the parameters that the function depends on, Formula is its formula without other stated functions, in radians. */
  values: Record<string, number>;
  formula: string;
  /** Period is 0 for none; points and upright guides repeat with it. */
  period: number;
  points: Record<string, Point[]>;
  guides: Record<string, Guide[]>;
  /** Told are the findings in LaTeX. */
  told: Record<string, string>;
}

/** Collapse is a value of a parameter at which a function is one of another type, such as a level line. */
export interface Collapse {
  function: string;
  parameter: string;
  value: number;
  kind: string;
}

/** Point is a point of the graph, or a hole or a jump's end when Open. */
export interface Point {
  x: number;
  y: number;
  open?: boolean;
}

/** Guide is the line x = At, or y = Slope·x + At. */
export interface Guide {
  upright?: boolean;
  slope?: number;
  at: number;
}

// core/stage/picture

/** Align of a text about its x. */
export const Align = {
  Left: 0,
  Centre: 1,
  Right: 2,
} as const;

/** Colour is a number of the theme's palette: 0 to 7 are the hues of curves and parameters. */
export const Colour = {
  Ink: 10,
  Grid: 11,
  FineGrid: 12,
  Axis: 13,
  Grey: 14,
  Sheet: 15,
  Ramp: 16,
  Tint: 40,
} as const;

/** Op begins a record. */
export const Op = {
  Line: 1,
  Marker: 2,
  Text: 3,
  Handle: 4,
  Area: 5,
  Glyphs: 6,
  Bar: 7,
} as const;

/** Pattern of a line. */
export const Pattern = {
  Whole: 0,
  Dashed: 1,
  Dotted: 2,
} as const;

/** Shape of a marker. */
export const Shape = {
  Disc: 0,
  Ring: 1,
  Grip: 2,
  Square: 3,
  Diamond: 4,
  Triangle: 5,
  Cross: 6,
} as const;

/** Number is the box of a number beside an axis. */
export interface Number {
  x: number;
  y: number;
  width: number;
  height: number;
  onY: boolean;
}

// server/domain

/** Entry is a demonstration as the shelf lists it. */
export interface ShelfEntry {
  id: string;
  title: string;
  revision: number;
  changedAt: string;
}

// server/api

/** Problem is RFC 9457's problem+json, with Parvix's own code. */
export interface HttpProblem {
  type: string;
  title: string;
  status: number;
  code: string;
  /** Current is what is stored, on a conflict. */
  current?: Stored;
}

/** Stored is a demonstration with its place in time. */
export interface Stored {
  id: string;
  revision: number;
  changedAt: string;
  /** Save is the id of the save that made the revision, where there was one. */
  save?: string;
  document?: Document;
  /** Mended tells what was put right in a file of an older version, in sentences. */
  mended?: string[];
}

/** Save is what the page sends: the revision it started from and the whole document, with an id of its own making, so that the same save sent twice is one. */
export interface Save {
  revision: number;
  save?: string;
  document: unknown;
}

/** Person says who is signed in and what the sign-in page offers. */
export interface Person {
  name: string;
  signedIn: boolean;
  demoSignIn: boolean;
  openRegistration: boolean;
}

/** Credentials are a name and a password. */
export interface Credentials {
  name: string;
  password: string;
}

/** The bodies of entries, by their kind. */
export interface Bodies {
  curve: CurveBody;
  point: PointBody;
  guide: GuideBody;
  trace: TraceBody;
  finding: FindingBody;
  steps: StepsBody;
  path: PathBody;
  table: TableBody;
  scatter: ScatterBody;
  trajectory: TrajectoryBody;
  trajectoryPart: TrajectoryPartBody;
  circle: CircleBody;
  circlePart: CirclePartBody;
  figure: FigureBody;
  region: RegionBody;
  parametricSurface: ParametricBody;
  spaceCurve: SpacecurveBody;
  spaceCurvePart: SpacecurvePartBody;
  surface: SurfaceBody;
  surfacePart: SurfacePartBody;
  text: TextBody;
}

export type Kind = keyof Bodies;

/** An entry of one kind. */
export interface EntryOf<K extends Kind> {
  id: string;
  kind: K;
  look: Look;
  where?: Where;
  body: Bodies[K];
}

/** An entry of any kind: its kind tells its body. */
export type Entry = { [K in Kind]: EntryOf<K> }[Kind];

/** How many points a shape joins; −1 for three or more, up to mostCorners. */
export const pointsOf: Record<FigureShape, number> = {
  segment: 2,
  arrow: 2,
  midpoint: 2,
  circle: 2,
  arc: 3,
  angle: 3,
  rightAngle: 3,
  polygon: -1,
  tangent: 0,
  normal: 0,
  intersection: 0,
  plane: 3,
};
export const mostCorners = 24;

/** The special angles of a turn, by the unit of angles. */
export const specialAngles: Record<AngleUnit, string[]> = {
  radian: ['0', 'π/6', 'π/4', 'π/3', 'π/2', '2π/3', '3π/4', '5π/6', 'π', '7π/6', '5π/4', '4π/3', '3π/2', '5π/3', '7π/4', '11π/6', '2π'],
  degree: ['0', '30', '45', '60', '90', '120', '135', '150', '180', '210', '225', '240', '270', '300', '315', '330', '360'],
};

/** The version of the format of documents. */
export const formatVersion = 3;
