# Where pairs of curves meet, by mpmath: sign changes and touchings of one function of one variable on a fine grid, closed in by secants.
# Polar curves meet where r(θ) = s(θ + 2πk) or r(θ) = −s(θ + π + 2πk), and in the pole where both pass through it (common practice); a curve
# meets y = f(x) where y(t) − f(x(t)) = 0. Run with: python3 shared.py > shared.jsonl
import json
from mpmath import mp, mpf, sin, cos, sqrt, exp, pi, findroot, diff

mp.dps = 30
polar = {
    "3sin(t)": lambda t: 3 * sin(t), "1+sin(t)": lambda t: 1 + sin(t), "1+cos(t)": lambda t: 1 + cos(t), "1-cos(t)": lambda t: 1 - cos(t),
    "1-sin(t)": lambda t: 1 - sin(t), "2": lambda t: mpf(2), "1": lambda t: mpf(1), "2cos(t)": lambda t: 2 * cos(t), "2sin(t)": lambda t: 2 * sin(t),
    "3cos(t)": lambda t: 3 * cos(t), "2sin(2t)": lambda t: 2 * sin(2 * t), "2cos(2t)": lambda t: 2 * cos(2 * t), "sin(3t)": lambda t: sin(3 * t),
    "cos(3t)": lambda t: cos(3 * t), "1+2cos(t)": lambda t: 1 + 2 * cos(t), "1-2sin(t)": lambda t: 1 - 2 * sin(t), "3+2sin(t)": lambda t: 3 + 2 * sin(t),
    "2-cos(t)": lambda t: 2 - cos(t), "4cos(t)": lambda t: 4 * cos(t), "t/4": lambda t: t / 4, "2+sin(3t)": lambda t: 2 + sin(3 * t),
    "2/(1+0.5cos(t))": lambda t: 2 / (1 + cos(t) / 2), "1.5": lambda t: mpf(3) / 2,
}
graphs = {"x": lambda x: x, "x^2": lambda x: x * x, "1": lambda x: mpf(1), "x/2+1/2": lambda x: x / 2 + mpf(1) / 2, "1/2": lambda x: mpf(1) / 2,
          "x^2-1": lambda x: x * x - 1, "sin(2x)": lambda x: sin(2 * x), "0": lambda x: mpf(0)}
parametric = {"(3cos t, 2sin t)": (lambda t: 3 * cos(t), lambda t: 2 * sin(t)), "(sin(2t), sin(3t))": (lambda t: sin(2 * t), lambda t: sin(3 * t)),
              "(cos(t)^3, sin(t)^3)": (lambda t: cos(t) ** 3, lambda t: sin(t) ** 3), "(t-sin t, 1-cos t)": (lambda t: t - sin(t), lambda t: 1 - cos(t))}
whole = (mpf(0), 2 * pi)


def roots(f, a, b, n=1440):
    """All zeros of f from a to b: where it changes its sign, and where it touches 0."""
    found = []
    ts = [a + (b - a) * (k + mpf("0.318")) / n for k in range(-1, n + 1)]
    v = [f(t) for t in ts]
    for k in range(1, len(ts)):
        if v[k - 1] * v[k] < 0:
            found.append(findroot(f, (ts[k - 1], ts[k]), solver="anderson", tol=1e-40, verify=False))
    for k in range(1, len(ts) - 1):
        if abs(v[k]) <= abs(v[k - 1]) and abs(v[k]) <= abs(v[k + 1]) and abs(v[k]) < 1e-3:
            try:
                t = findroot(lambda t: diff(f, t), ts[k], tol=1e-30, verify=False)
            except (ZeroDivisionError, ValueError):
                continue
            if abs(f(t)) < 1e-20:
                found.append(t)
    return [t for t in found if a - mpf("1e-15") <= t <= b + mpf("1e-15")]


def once(places):
    out = []
    for p in places:
        if all(abs(p[0] - q[0]) + abs(p[1] - q[1]) > 1e-6 for q in out):
            out.append(p)
    return sorted([[float(p[0]) if abs(p[0]) > 1e-12 else 0.0, float(p[1]) if abs(p[1]) > 1e-12 else 0.0] for p in out])


def polar_pair(r, s, turns_r=1, turns_s=1):
    f, g = polar[r], polar[s]
    places = []
    for k in range(-turns_r, turns_s + 1):
        for shift, sign in ((2 * pi * k, 1), (2 * pi * k + pi, -1)):
            for t in roots(lambda t: f(t) - sign * g(t + shift), whole[0], 2 * pi * turns_r):
                if -mpf("1e-12") <= t + shift <= 2 * pi * turns_s + mpf("1e-12"):
                    places.append((f(t) * cos(t), f(t) * sin(t)))
    if roots(f, whole[0], 2 * pi * turns_r) and roots(g, whole[0], 2 * pi * turns_s):
        places.append((mpf(0), mpf(0)))
    return once(places)


def emit(**fields):
    print(json.dumps(fields, ensure_ascii=False))


for r, s in [("3sin(t)", "1+sin(t)"), ("1+cos(t)", "1-cos(t)"), ("1+cos(t)", "1+sin(t)"), ("1+cos(t)", "1"), ("2sin(t)", "2cos(t)"), ("2", "3cos(t)"),
             ("2sin(2t)", "1"), ("2cos(2t)", "1"), ("sin(3t)", "cos(3t)"), ("1+2cos(t)", "1"), ("1+2cos(t)", "2cos(t)"), ("1-2sin(t)", "1+cos(t)"),
             ("3+2sin(t)", "2"), ("2-cos(t)", "1.5"), ("1+sin(t)", "1-sin(t)"), ("4cos(t)", "2"), ("2+sin(3t)", "2"), ("2sin(2t)", "2sin(t)"),
             ("2cos(2t)", "1+cos(t)"), ("t/4", "1"), ("t/4", "2cos(t)"), ("2/(1+0.5cos(t))", "2"), ("3cos(t)", "1+cos(t)")]:
    emit(a="polar", r=r, b="polar", s=s, places=polar_pair(r, s))
for r, f in [("1+cos(t)", "x"), ("2sin(2t)", "x^2"), ("2", "x^2"), ("3sin(t)", "1"), ("1+2cos(t)", "x/2+1/2"), ("2cos(t)", "1/2"), ("2cos(2t)", "0")]:
    g = graphs[f]
    emit(a="polar", r=r, b="graph", s=f, places=once([(polar[r](t) * cos(t), polar[r](t) * sin(t)) for t in roots(lambda t: polar[r](t) * sin(t) - g(polar[r](t) * cos(t)), *whole)]))
for c, f in [("(3cos t, 2sin t)", "x^2-1"), ("(sin(2t), sin(3t))", "x"), ("(cos(t)^3, sin(t)^3)", "x"), ("(t-sin t, 1-cos t)", "1"), ("(sin(2t), sin(3t))", "sin(2x)"),
             ("(3cos t, 2sin t)", "x/2+1/2")]:
    x, y = parametric[c]
    g = graphs[f]
    emit(a="parametric", r=c, b="graph", s=f, places=once([(x(t), y(t)) for t in roots(lambda t: y(t) - g(x(t)), *whole)]))
