# Writes loci.jsonl: python3 loci.py > loci.jsonl (SymPy 1.14, mpmath 1.3).
#
# For a family of curves and one of its parameters: the turning points or inflections at some values of the parameter,
# found by solving the derivative for those values, and the points that all curves of the family share, found by solving
# for x the derivative by the parameter.
import json
from sympy import S, Symbol, diff, exp, log, simplify, solveset, sqrt
from sympy.sets import FiniteSet

x = Symbol("x", real=True)
a = Symbol("a", real=True)

VALUES = [S(-3), S(-2), S(-1), S(1) / 2, S(1), S(2), S(3)]

# What is typed, the same for SymPy, and the feature.
FORMS = []
for text, f in [
    ("x² + a x + 1", x**2 + a * x + 1), ("x² − 2a x", x**2 - 2 * a * x), ("2x² + a x − 3", 2 * x**2 + a * x - 3),
    ("−x² + a x + 2", -x**2 + a * x + 2), ("x²/2 + a x", x**2 / 2 + a * x), ("a x² + 4x + 1", a * x**2 + 4 * x + 1),
    ("a x² − 2x + 3", a * x**2 - 2 * x + 3), ("a x² + x", a * x**2 + x), ("(x − a)² + 1", (x - a) ** 2 + 1),
    ("(x − a)² + a", (x - a) ** 2 + a), ("(x − a)² + a²", (x - a) ** 2 + a**2), ("(x + 2a)² − 3a", (x + 2 * a) ** 2 - 3 * a),
    ("3(x − a)² − a", 3 * (x - a) ** 2 - a), ("x² + a", x**2 + a), ("x² − a x + a", x**2 - a * x + a),
    ("x² + a x + a²", x**2 + a * x + a**2), ("x³ − 3a x", x**3 - 3 * a * x), ("x³ + a x²", x**3 + a * x**2),
    ("x³ − a x", x**3 - a * x), ("x³ − 3x + a", x**3 - 3 * x + a), ("x³/3 − a x²", x**3 / 3 - a * x**2),
    ("2x³ + 3a x²", 2 * x**3 + 3 * a * x**2), ("x⁴ − 2a x²", x**4 - 2 * a * x**2), ("x⁴ + a x³", x**4 + a * x**3),
    ("x e^(a x)", x * exp(a * x)), ("(x − a) e^x", (x - a) * exp(x)), ("(x + a) e^(−x)", (x + a) * exp(-x)),
    ("e^x − a x", exp(x) - a * x), ("a x − e^x", a * x - exp(x)), ("e^(−(x − a)²)", exp(-((x - a) ** 2))),
    ("a e^(−(x − a)²)", a * exp(-((x - a) ** 2))), ("e^(−(x − a)²) + a", exp(-((x - a) ** 2)) + a), ("x² e^(a x)", x**2 * exp(a * x)),
    ("x + a²/x", x + a**2 / x), ("x + a/x", x + a / x), ("x²/a + a", x**2 / a + a), ("a x + 1/x", a * x + 1 / x),
    ("x/(x² + a²)", x / (x**2 + a**2)), ("1/((x − a)² + 1)", 1 / ((x - a) ** 2 + 1)), ("a/((x − a)² + 1)", a / ((x - a) ** 2 + 1)),
    ("ln(x) − a x", log(x) - a * x), ("a ln(x) − x", a * log(x) - x), ("x ln(x) − a x", x * log(x) - a * x),
    ("ln(x)/x + a", log(x) / x + a), ("√x − a x", sqrt(x) - a * x), ("x² − a √x", x**2 - a * sqrt(x)),
    ("a √(1 − (x − a)²)", a * sqrt(1 - (x - a) ** 2)),
]:
    FORMS.append((text, f, "extrema"))
for text, f in [
    ("x³ + a x² + 1", x**3 + a * x**2 + 1), ("x³ − 3a x²", x**3 - 3 * a * x**2), ("x³ + a x² + a x", x**3 + a * x**2 + a * x),
    ("(x − a)³ + 2", (x - a) ** 3 + 2), ("(x − a)³ + a", (x - a) ** 3 + a), ("a(x − 1)³ + x", a * (x - 1) ** 3 + x),
    ("x e^(a x)", x * exp(a * x)), ("x e^(−x) + a x", x * exp(-x) + a * x), ("(x − a) e^x", (x - a) * exp(x)),
    ("x⁴ − 6a x²", x**4 - 6 * a * x**2), ("e^(−(x − a)²)", exp(-((x - a) ** 2))), ("4/(1 + e^(−(x − a)))", 4 / (1 + exp(-(x - a)))),
    ("a/(1 + e^(−(x − a)))", a / (1 + exp(-(x - a)))), ("1/(1 + e^(−a(x − 1)))", 1 / (1 + exp(-a * (x - 1)))),
    ("x³ − a x", x**3 - a * x), ("x²/2 + a ln(x)", x**2 / 2 + a * log(x)),
]:
    FORMS.append((text, f, "inflections"))


def numbers(roots):
    return [r for r in roots if r.is_real] if isinstance(roots, FiniteSet) else None


def points(f, feature):
    order = 1 if feature == "extrema" else 2
    out = []
    for v in VALUES:
        g = f.subs(a, v)
        roots = numbers(solveset(diff(g, x, order), x, S.Reals))
        if roots is None:
            return None
        for r in roots:
            # A place counts where the next derivative does not vanish.
            y, turn = g.subs(x, r), diff(g, x, order + 1).subs(x, r)
            if not y.is_finite or not y.is_real or abs(turn.evalf()) < 1e-12:
                continue
            out.append([float(v), float(r), float(y)])
    return out


def fixed(f):
    roots = numbers(solveset(diff(f, a), x, S.Reals))
    if roots is None:
        return None
    out = []
    for r in roots:
        # A root that the parameter moves is no fixed point, nor is one at which there is no value.
        y = f.subs(x, r)
        if r.has(a) or simplify(diff(y, a)).has(a) or not y.subs(a, 1).is_finite:
            continue
        out.append([float(r), float(y.subs(a, 1))])
    return sorted(out)


for text, f, feature in FORMS:
    line = {"expr": text, "as": "a", "of": feature}
    for name, found in [("points", points(f, feature)), ("fixed", fixed(f) if feature == "extrema" else None)]:
        if found is not None:
            line[name] = found
    print(json.dumps(line, ensure_ascii=False))
