"""Partial derivatives, stationary points with their kinds, extreme values, and lengths, boxes, curvatures and meetings of curves in
space, worked out by SymPy 1.11 and mpmath (Debian's python3-sympy), independently of Parvix. The functions are those of calculus books.

    python3 space.py > space.jsonl
"""

import json

import mpmath
import sympy as sp

x, y, t = sp.symbols("x y t", real=True)
mpmath.mp.dps = 30


def number(v):
    return float(sp.N(v, 30))


# Formula for SymPy, for Parvix, a place, and a rectangle in which the stationary points are looked for (None for none).
SURFACES = [
    (x**2 - y**2, "x^2-y^2", (1, sp.Rational(1, 2)), (-2, 2, -2, 2)),
    (x**2 + y**2, "x^2+y^2", (sp.Rational(1, 3), -2), (-2, 2, -1, 3)),
    (x**2 + x * y + y**2 - 3 * x, "x^2+x y+y^2-3x", (1, 1), (-4, 4, -4, 4)),
    (x**3 - 3 * x + y**2, "x^3-3x+y^2", (2, -1), (-3, 3, -2, 2)),
    (x**4 + y**4 - 4 * x * y + 1, "x^4+y^4-4x y+1", (sp.Rational(1, 2), 2), (-2, 2, -2, 2)),
    (x**3 - 12 * x * y + 8 * y**3, "x^3-12x y+8y^3", (1, 2), (-1, 4, -1, 3)),
    (x**3 + y**3 - 3 * x * y, "x^3+y^3-3x y", (-1, 2), (-2, 2, -2, 2)),
    (x * y * (1 - x - y), "x y (1-x-y)", (sp.Rational(1, 4), sp.Rational(1, 2)), (-1, 2, -1, 2)),
    (2 * x**3 + x * y**2 + 5 * x**2 + y**2, "2x^3+x y^2+5x^2+y^2", (1, 1), (-3, 1, -3, 3)),
    (x**3 - 3 * x * y**2, "x^3-3x y^2", (1, -1), (-2, 2, -2, 2)),
    (sp.sin(x) * sp.cos(y), "sin(x) cos(y)", (sp.pi / 6, sp.pi / 3), (-3, 3, -3, 3)),
    (sp.sin(x) + sp.sin(y) + sp.sin(x + y), "sin(x)+sin(y)+sin(x+y)", (sp.pi / 4, sp.pi / 4), (0.1, 3, 0.1, 3)),
    (sp.exp(-(x**2) - y**2), "e^(-x^2-y^2)", (1, sp.Rational(1, 2)), (-2, 2, -2, 2)),
    ((x**2 + 3 * y**2) * sp.exp(1 - x**2 - y**2), "(x^2+3y^2) e^(1-x^2-y^2)", (1, 1), (-2, 2, -2, 2)),
    (x * sp.exp(-(x**2) - y**2), "x e^(-x^2-y^2)", (sp.Rational(1, 2), -1), (-2, 2, -2, 2)),
    (x * y * sp.exp(-(x**2) - y**2), "x y e^(-x^2-y^2)", (1, -1), (-2, 2, -2, 2)),
    (x**2 * y - y**3 / 3 - x, "x^2 y-y^3/3-x", (2, 3), (-2, 2, -2, 2)),
    (sp.log(1 + x**2 + y**2), "ln(1+x^2+y^2)", (1, 2), (-2, 2, -2, 2)),
    (x / (1 + x**2 + y**2), "x/(1+x^2+y^2)", (2, -1), (-3, 3, -3, 3)),
    (1 / x + 1 / y + x * y, "1/x+1/y+x y", (2, sp.Rational(1, 2)), (0.2, 3, 0.2, 3)),
    (x * y + 8 / x + 27 / y, "x y+8/x+27/y", (1, 3), (0.5, 4, 0.5, 8)),
    (sp.sqrt(1 + x**2 + y**2), "sqrt(1+x^2+y^2)", (2, 2), (-2, 2, -2, 2)),
    (sp.cos(x) + sp.cos(y), "cos(x)+cos(y)", (sp.pi / 3, sp.pi / 2), (-4, 4, -4, 4)),
    (x**4 - 2 * x**2 + y**2, "x^4-2x^2+y^2", (sp.Rational(3, 2), 1), (-2, 2, -2, 2)),
    (x**2 / 4 + y**2 / 9 - x * y / 5, "x^2/4+y^2/9-x y/5", (3, -2), (-3, 3, -3, 3)),
    ((x**2 + y**2) ** 2 - 2 * (x**2 - y**2), "(x^2+y^2)^2-2(x^2-y^2)", (1, 1), (-2, 2, -2, 2)),
]

CURVES = [
    ((sp.cos(t), sp.sin(t), t / 5), ("cos t", "sin t", "t/5"), 0, 4 * sp.pi, sp.pi / 3),
    ((t, t**2, t**3), ("t", "t^2", "t^3"), -1, 2, 1),
    ((sp.exp(t) * sp.cos(t), sp.exp(t) * sp.sin(t), sp.exp(t)), ("e^t cos t", "e^t sin t", "e^t"), 0, 2, 1),
    ((3 * t - t**3, 3 * t**2, 3 * t + t**3), ("3t-t^3", "3t^2", "3t+t^3"), -2, 2, 1),
    ((sp.cos(t), sp.sin(t), sp.log(sp.cos(t))), ("cos t", "sin t", "ln(cos t)"), 0, 1, sp.Rational(1, 2)),
    ((t, sp.sqrt(2) * sp.exp(t), sp.exp(2 * t) / 2), ("t", "sqrt(2) e^t", "e^(2t)/2"), 0, 1, 0),
    ((sp.cos(t) ** 3, sp.sin(t) ** 3, sp.cos(2 * t)), ("cos(t)^3", "sin(t)^3", "cos(2t)"), 0, sp.pi / 2, sp.pi / 6),
    ((sp.sin(t), sp.sin(2 * t), sp.sin(3 * t)), ("sin t", "sin(2t)", "sin(3t)"), 0, 2 * sp.pi, 1),
    (((2 + sp.cos(3 * t)) * sp.cos(2 * t), (2 + sp.cos(3 * t)) * sp.sin(2 * t), sp.sin(3 * t)),
     ("(2+cos(3t)) cos(2t)", "(2+cos(3t)) sin(2t)", "sin(3t)"), 0, 2 * sp.pi, sp.Rational(1, 3)),
    ((t * sp.cos(t), t * sp.sin(t), t), ("t cos t", "t sin t", "t"), 0, 6, 2),
    ((1 + sp.cos(t), sp.sin(t), 2 * sp.sin(t / 2)), ("1+cos t", "sin t", "2sin(t/2)"), 0, 4 * sp.pi, 1),
    ((t**2 / 2, sp.Rational(4, 3) * t ** sp.Rational(3, 2), 2 * t), ("t^2/2", "4/3 t^(3/2)", "2t"), 1, 4, 2),
    ((sp.cosh(t), sp.sinh(t), t), ("cosh t", "sinh t", "t"), -1, 1, sp.Rational(1, 2)),
    ((sp.atan(t), sp.log(1 + t**2), t), ("arctan t", "ln(1+t^2)", "t"), -2, 3, 1),
    ((4 * sp.cos(t), 3 * sp.sin(t), sp.cos(t)), ("4cos t", "3sin t", "cos t"), 0, 2 * sp.pi, sp.pi / 4),
    ((t - sp.sin(t), 1 - sp.cos(t), 4 * sp.sin(t / 2)), ("t-sin t", "1-cos t", "4sin(t/2)"), 0, 2 * sp.pi, sp.pi / 2),
]


def stationary(f, box):
    """All real solutions in the box: Newton from a fine grid of starts, kept where they are told apart, with 25 digits."""
    fx, fy = sp.diff(f, x), sp.diff(f, y)
    grad = sp.lambdify((x, y), (fx, fy), "mpmath")
    found = []
    n = 14
    for i in range(n + 1):
        for j in range(n + 1):
            start = (box[0] + (box[1] - box[0]) * (i + 0.013) / (n + 0.02), box[2] + (box[3] - box[2]) * (j + 0.017) / (n + 0.03))
            try:
                at = mpmath.findroot(lambda a, b: grad(a, b), start, tol=1e-24, maxsteps=60)
            except (ValueError, ZeroDivisionError):
                continue
            a, b = at[0], at[1]
            if not (box[0] <= a <= box[1] and box[2] <= b <= box[3]) or mpmath.im(a) != 0 or mpmath.im(b) != 0:
                continue
            if all(abs(a - p) > 1e-7 or abs(b - q) > 1e-7 for p, q in found):
                found.append((a, b))
    out = []
    for a, b in sorted(found, key=lambda p: (round(float(p[0]), 7), round(float(p[1]), 7))):
        put = {x: a, y: b}
        h = sp.hessian(f, (x, y)).subs(put)
        det, first = sp.N(h.det(), 25), sp.N(h[0, 0], 25)
        kind = "undecided" if abs(det) < 1e-6 else "saddle" if det < 0 else "minimum" if first > 0 else "maximum"
        out.append({"x": float(a), "y": float(b), "z": number(f.subs(put)), "kind": kind})
    return out


for f, text, (a, b), box in SURFACES:
    put = {x: a, y: b}
    want = {name: number(d.subs(put)) for name, d in
            {"value": f, "fx": f.diff(x), "fy": f.diff(y), "fxx": f.diff(x, 2), "fxy": f.diff(x, y), "fyy": f.diff(y, 2)}.items()}
    print(json.dumps({"ask": {"ask": "surface", "expr": text, "at": {"x": str(a), "y": str(b)},
                              "xFrom": box[0], "xTo": box[1], "yFrom": box[2], "yTo": box[3]},
                      "at": want, "stationary": stationary(f, box)}))

for c, texts, begin, end, at in CURVES:
    v = [sp.diff(f, t) for f in c]
    w = [sp.diff(f, t, 2) for f in c]
    speed = sp.lambdify(t, sp.sqrt(sum(f**2 for f in v)), "mpmath")
    parts = [begin + (end - begin) * sp.Rational(k, 16) for k in range(17)]
    length = mpmath.quad(speed, [mpmath.mpf(sp.N(p, 30)) for p in parts])
    cross = sp.Matrix(v).cross(sp.Matrix(w)).subs(t, at)
    speed_at = sp.sqrt(sum(f.subs(t, at) ** 2 for f in v))
    box = []
    for f in c:
        g = sp.lambdify(t, f, "mpmath")
        d = sp.lambdify(t, sp.diff(f, t), "mpmath")
        places = [mpmath.mpf(sp.N(begin, 30)), mpmath.mpf(sp.N(end, 30))]
        looks = [places[0] + (places[1] - places[0]) * k / 397 for k in range(398)]  # odd, so that no look hits a turning point
        for p, q in zip(looks, looks[1:]):
            try:
                if mpmath.re(d(p)) * mpmath.re(d(q)) < 0:
                    places.append(mpmath.findroot(d, (p, q), solver="anderson"))
            except (ValueError, ZeroDivisionError):
                pass
        values = [mpmath.re(g(p)) for p in places]
        box += [float(min(values)), float(max(values))]
    print(json.dumps({"ask": {"ask": "parametric", "x": texts[0], "y": texts[1], "z": texts[2], "from": str(begin), "to": str(end), "at": str(at)},
                      "length": float(length), "box": box, "speed": number(speed_at),
                      "curvature": number(sp.sqrt(sum(k**2 for k in cross)) / speed_at**3),
                      "tangent": [number(f.subs(t, at) / speed_at) for f in v]}))
