"""Findings of functions by SymPy and mpmath, for TestFindingsAgreeWithTheReferenceLibrary.

Made with SymPy 1.11.1 and mpmath 1.2.1 (Debian packages python3-sympy, python3-mpmath):

    python3 findings.py > findings.jsonl

Each line holds a function and what SymPy found out about it on its own ways: the domain by continuous_domain, the range
by function_range, zeros and stationary points by solveset (numbers with 15 digits), limits far out and at singular
places by limit. A field that SymPy could not find, or for which it needs more than 20 seconds, is left out. A periodic function is asked
about one period [0, P).

Left out by name, since this version or this script is wrong about them (checked by hand): exp(atan(x)), whose limit on the
left is e^(−π/2); x/(x**2-2*x+5) and (x+2)/(x**2+x+1), which lose two of three inflections; x*sqrt(2-x**2), which loses the
zeros at its ends; sqrt(1+sin(x)) and asin(2*x/(1+x**2)), which lose extrema without a slope; x**(1/x), which is given values
left of 0; cube roots, which SymPy takes in the complex plane. Read in another way: 1/tan(x), here with a hole where the
tangent has no value; log(x)*x**3, whose limit at the end of its domain is no hole here. SymPy failed on tan(x)-x,
sin(x)-x/2, x-cos(x), atan((x-1)/(x+1)), atanh(x)-2*x and tanh(2**x). Of sqrt(x**2-2*x+1) it loses the minimum, of x/(exp(x)-1)
the asymptote y = -x, and 1/asin(x) and 1/acos(x) are given limits far outside their domain.
"""
import json
import signal
import sys
import warnings

import mpmath
import sympy as sp
from sympy.calculus.util import continuous_domain, function_range, periodicity
from sympy.calculus.singularities import singularities

warnings.filterwarnings("ignore")
x = sp.Symbol("x", real=True)

FUNCTIONS = """
x**2-4 ; x**2+1 ; 2*x**2-3*x-5 ; -x**2+6*x-7 ; (x-3)**2/4-2 ; x**3-3*x ; x**3-6*x**2+9*x+1 ; 2*x**3-3*x**2-12*x+5
x**4-5*x**2+4 ; x**4-4*x**3 ; x**4+x**2-6 ; -x**4/4+2*x**2-1 ; x**5-5*x ; 3*x**5-5*x**3 ; x**5-x**3 ; x*(x-2)*(x+3)
(x-1)**3+2 ; (x+2)**2*(x-1) ; x**3+x+1 ; x**4-2*x**3+1 ; x**3-2*x-5 ; 3*x-7 ; x**6-3*x**2 ; (x**2-1)**3 ; x**3/3-x**2-8*x+4
1/x ; 1/(x-2)+3 ; (2*x+1)/(x-3) ; (x**2-4)/(x-2) ; (x**2-1)/(x**2+1) ; x/(x**2+1) ; x/(x**2-1) ; (x**2+1)/x ; x+4/x
(x**2-3*x+2)/(x**2-1) ; (x**3-1)/(x**2-1) ; (x**3+1)/x**2 ; 1/(x**2+1) ; 1/(x**2-4) ; (x**2+x-6)/(x-1) ; x**2/(x-1)
(3*x**2-5)/(x**2-9) ; 1/(x*(x-3)) ; (x-1)/(x**2-4*x+3) ; x**3/(x**2-4) ; (2*x**2+3*x-2)/(x+2) ; 8/(x**2+4) ; 1/x**2-1
(x+1)/(x-1)**2 ; (x**2-2*x-3)/(x**2+4*x) ; 4*x/(x**2+4) ; (x**4-1)/x**2 ; 1/(x**3-x) ; (x-2)**2/(x+1) ; (5-x)/(2*x+4) ; 1/(1-x)
sqrt(x) ; sqrt(x-2)+1 ; sqrt(4-x**2) ; sqrt(x**2-9) ; x*sqrt(4-x) ; sqrt(9-x)-sqrt(x) ; 1/sqrt(x-1) ; x/sqrt(x**2+1)
sqrt(x**2+4*x+5) ; sqrt(x**2+1)-x ; sqrt(2*x+6)-3 ; -sqrt(5-2*x) ; x-2*sqrt(x) ; sqrt((x-1)*(x+2)) ; sqrt(16-4*x**2) ; x*sqrt(1-x**2)
sqrt(x)*(x-3) ; 1/(sqrt(x)-2) ; sqrt(x+5)/(x-1) ; sqrt(6+x-x**2) ; x+sqrt(1-x)
exp(x)-2 ; exp(-x)+1 ; exp(-x**2) ; x*exp(x) ; x*exp(-x) ; x**2*exp(-x) ; (x-2)*exp(x) ; exp(x)/x ; exp(x)-x ; exp(2*x)-3*exp(x)+2
1/(1+exp(-x)) ; 12/(1+3*exp(-2*x)) ; exp(1/x) ; x*exp(-x**2/2) ; exp(x)+exp(-x) ; 2**x-8 ; 3*2**(-x)-1 ; exp(-x)*(x**2-1) ; 5-2*exp(-x/3)
log(x) ; log(x-1)+2 ; log(x**2-1) ; x*log(x) ; log(x)/x ; log(x)**2 ; x-log(x) ; x**2*log(x) ; log(x**2+1) ; 1/log(x)
log(x)-1/x ; log(4-x) ; log(x+2)-log(x-1) ; x*log(x)**2 ; log(1-x**2) ; log(x)**2-3*log(x)+2 ; exp(x)/(exp(x)+1) ; log((x+1)/(x-1)) ; log(2*x-3)
(exp(x)-exp(-x))/(exp(x)+exp(-x)) ; x**2*exp(-x**2) ; 1/(exp(x)-1) ; exp(x)*(x**2-3) ; log(1+exp(x)) ; 4*exp(-x)-4*exp(-2*x)
sin(x) ; cos(x) ; 2*sin(x)+1 ; 3*sin(2*x-pi/3)+1 ; -2*cos(x/2) ; sin(pi*x) ; cos(x)**2 ; sin(x)+cos(x) ; sin(x)*cos(x) ; sin(2*x)+sin(x)
tan(x) ; tan(x/2) ; 1/cos(x) ; 1/sin(x) ; sin(x)**2-sin(x) ; 2*cos(x)-1 ; cos(2*x)-cos(x) ; sin(x)/(2+cos(x)) ; 4*cos(pi*x/6)+5 ; sin(3*x)-2 ; 1/(1+cos(x)) ; sqrt(3)*sin(x)-cos(x) ; cos(x)**3 ; exp(sin(x)) ; 1/(2+sin(x)) ; sin(x)**3 ; 2*sin(x)+cos(2*x) ; tan(x)**2 ; tan(x)+1 ; sqrt(sin(x)+2)
atan(x) ; asin(x) ; acos(x) ; x*atan(x) ; atan(1/x) ; asin(x/2)+1 ; atan(x**2) ; x-atan(x) ; asin(x-3)*2 ; atan(2*x-1)
Abs(x-2)-3 ; Abs(x**2-4) ; x*Abs(x) ; Abs(x)/x ; 2-Abs(x+1) ; Abs(x-1)+Abs(x+1) ; sqrt(Abs(x)) ; Abs(x)-x**2 ; exp(-Abs(x)) ; log(Abs(x)) ; Abs(2*x-6)+x
sinh(x) ; cosh(x)-2 ; tanh(x) ; 1/cosh(x) ; sinh(x)-x ; asinh(x) ; acosh(x) ; atanh(x) ; x/sinh(x) ; x-tanh(x)
sin(x)/x ; x+sin(x) ; (1-cos(x))/x**2 ; x**2-2**x ; cos(x)-x ; exp(x)-3*x ; log(x)-x/3 ; x-2*sin(x)/3 ; exp(-x)-x ; x**3-3**x/9
x**2+4*x+7 ; -2*x**2+8*x-3 ; x**3+3*x**2-9*x-27 ; x**3-12*x+16 ; x**4-8*x**2+16 ; x**4+4*x**3 ; (x-1)**2*(x+2)**2 ; x**5-15*x**3 ; 4*x**3-x**4 ; x**3-4*x**2+x+6
(x+3)/(x-2) ; (x**2-9)/(x-3) ; 5/(x**2+x-6) ; (2*x**2+1)/(x**2-1) ; (x**2-5*x+6)/(x-1) ; (x**2+2)/(x+1) ; x**2/(x**2+3) ; (x**3-x)/(x**2-4*x+3) ; 6*x/(x**2+9) ; (x-4)/(x**2-16) ; 1/(x**2-2*x+2) ; (x**3+8)/(x**2-4) ; x**4/(x**2+1) ; (1-x**2)/(x**2-x-2) ; 10/(x**2+5) ; (x**2+x)/(x**2-2*x-3)
sqrt(3-x) ; sqrt(x+4)-x ; x*sqrt(x+3) ; sqrt(x**2-4*x) ; 2-sqrt(25-x**2) ; sqrt(x)/(x+1) ; 1/sqrt(9-x**2) ; x/sqrt(4-x**2) ; sqrt(x-1)+sqrt(5-x) ; (x-2)*sqrt(x) ; sqrt(x**2+9) ; sqrt(1-x)/x ; 3*sqrt(x)-x ; sqrt((x+1)/(x-2))
3*exp(-2*x) ; exp(x)-4 ; x**3*exp(-x) ; exp(-x)*(x+1) ; exp(x)/(x+1) ; exp(-1/x) ; exp(x**2-2*x) ; 20/(1+4*exp(-x/2)) ; exp(2*x)-exp(x) ; x-exp(-x) ; (x**2-2*x)*exp(x) ; 1-exp(-x/4) ; exp(-(x-2)**2/8) ; 5*(1/2)**x+1 ; 3**x-9*3**(-x) ; exp(x)/(1+exp(x))**2
log(3*x+6) ; log(x**2+2*x) ; x**2-8*log(x) ; log(x)/x**2 ; sqrt(x)*log(x) ; log(x/(1-x)) ; log(5-x)+log(x) ; 1/(x*log(x)) ; (log(x)-1)**2 ; x-2*log(x+1) ; log(1+1/x) ; x*(log(x)-2)
2*cos(x)+3 ; sin(x/3) ; -3*sin(4*x)+2 ; cos(pi*x/2)-1 ; 5*sin(2*x+pi/2) ; sin(x)-cos(x) ; 2*sin(x)**2-1 ; tan(3*x) ; 2*tan(x)-1 ; 1/cos(2*x) ; 3/sin(x) ; cos(x)+cos(2*x)/2 ; sin(x)**2*cos(x) ; sin(x)+sqrt(3)*cos(x) ; cos(x)/(1+sin(x)) ; 1/(3-2*cos(x)) ; exp(cos(x)) ; 4-4*cos(x)**2 ; sin(2*x)/2+cos(x) ; log(2+sin(x)) ; sin(x)**4 ; tan(x)-2*x ; 3*sin(pi*x/12)+10 ; cos(3*x)-cos(x)
atan(x/2) ; asin(1-x) ; acos(2*x) ; atan(x)/x ; x*asin(x) ; 2*atan(x)-x ; atan(exp(x)) ; atan(1/(x-1))
Abs(x)+2 ; 3-Abs(2*x-4) ; Abs(x**2-x-6) ; x+Abs(x) ; Abs(x-3)*x ; Abs(x)/(x+1) ; Abs(sin(x)) ; Abs(x**3) ; exp(Abs(x)) ; Abs(Abs(x)-1)
2*sinh(x)-1 ; cosh(2*x) ; tanh(x-1) ; sinh(x)/cosh(x)**2 ; x-sinh(x)/2 ; asinh(x)-x ; x*exp(-sqrt(x)) ; (1+1/x)**2 ; (x-1)**(1/3)*0+x ; 1/(1+x**4) ; x**2*(x-3)**2/4 ; x/(1+x**2)**2 ; 1/(exp(x)+exp(-x)) ; (exp(x)-1)/(exp(x)+1) ; exp(-x)*sqrt(x)
x**3-7*x+6 ; x**4-2*x**2-8 ; x**4-6*x**3+9*x**2 ; 2*x**4-x**3 ; x**5+x ; x**3/3+x**2-3*x+1 ; (2*x-1)**4-16 ; x**6-1 ; x**4-x ; -2*x**3+9*x**2-12*x+4 ; (x+1)*(x-1)*(x-4)/2 ; x**7-7*x
(x**2-2*x)/(x+3) ; (3*x-6)/(x**2-x-2) ; (x**3+x**2)/(x**2-9) ; (x**2-4*x+4)/(x**2-1) ; 1/(x**4+x**2) ; (2*x**3-5)/(x**3+x) ; (x**2+3)/(x**2-3) ; x-1/x ; x**2+1/x ; x**2-16/x ; (x**4+1)/x**3 ; 3/(x-1)-2/(x+2) ; (x**2-1)**2/x**2 ; 12/(x**2-4*x) ; (x**2+4*x+3)/(x**2-2*x-15)
sqrt(x**2-2*x-8) ; sqrt(x+6)-sqrt(x-1) ; x**2*sqrt(5-x) ; sqrt(x)/(x-4) ; sqrt(x**3-4*x) ; 1/sqrt(x**2-4) ; sqrt((x-2)/(x+2)) ; x/sqrt(x-3) ; sqrt(12-x-x**2) ; (x+1)/sqrt(x) ; sqrt(2*x+1)-x ; sqrt(x**2+x+1)-x ; sqrt(4*x**2+1)-x ; sqrt(sqrt(x)-1) ; (1-x)*sqrt(x)
exp(3*x)-27 ; x*exp(-2*x) ; (x**2+1)*exp(-x) ; exp(x)/(x-2) ; exp(-x**2/2)*x**2 ; exp(2*x)-4*exp(x)+3 ; x**2*exp(x) ; (3-x)*exp(x/2) ; exp(x)*(1-x)**2 ; 100/(1+9*exp(-x/5)) ; 4**x-2**x ; x*2**(-x) ; exp(x)-exp(-2*x) ; (exp(x)+3)/(exp(x)-1) ; exp(-1/x**2) ; exp(x/(x-1)) ; 1/(2-exp(x)) ; exp(-x)*log(x+1)*0+exp(-x) ; exp(x**3-3*x)
log(x**2-3*x+2) ; log(x)-x**2/2 ; log(x)/sqrt(x) ; (log(x)+1)/x ; x/log(x) ; log(x)**3-3*log(x) ; log(1+x)-log(1-x) ; log(sqrt(x)) ; log(x)/(1+log(x)) ; x**2-2*log(x) ; x*log(x+1) ; log(exp(x)-1) ; log(9-x**2) ; 1/(1-log(x)) ; log(x**2)/x ; x*log(x)-2*x ; log(log(x)) ; x-log(1+x**2)
3*sin(x)-4*cos(x) ; sin(x)**2-cos(x)**2 ; 2*cos(3*x-pi/4)+1 ; sin(x)+sin(3*x)/3 ; cos(x)-cos(x)**2 ; tan(pi*x/4) ; 1/(2+cos(x)) ; sin(x)/(1+cos(x)) ; 2/cos(x)-1 ; cos(x)**4-sin(x)**4 ; sin(x)*(1+cos(x)) ; x*cos(x)*0+cos(x/3)-1/2 ; exp(2*sin(x)) ; log(cos(x)) ; sin(x)**2+sin(x)-2 ; cos(2*x)+3*cos(x)+2 ; 4*sin(x)*cos(x)+1 ; tan(x)**2-3 ; 1/(1-sin(x)) ; sin(pi*x)+cos(pi*x) ; sin(x)+cos(2*x)/4 ; sin(x)**2*cos(x)**2
atan(x**2-1) ; x**2*atan(x) ; acos(x)-asin(x) ; atan((x-1)/(x+1)) ; asin(sqrt(x)) ; atan(sqrt(x))
Abs(x-1)-Abs(x+3) ; Abs(x**2-2*x-3) ; Abs(x-2)/(x-2) ; x**2-2*Abs(x)-3 ; Abs(x**3-3*x) ; sqrt(Abs(x-1)) ; Abs(x)*exp(-x) ; Abs(log(x)) ; 1/(1+Abs(x)) ; x*Abs(x-2) ; Abs(2*x-1)-Abs(x)
cosh(x)-x**2 ; tanh(x)**2 ; x*tanh(x) ; 3*sinh(x)-2*cosh(x) ; sinh(x)**2-1 ; 1/sinh(x) ; log(cosh(x)) ; acosh(x)-x ; atanh(x)-2*x
exp(x)-x**2-2 ; log(x)+x ; x**2-cos(x) ; exp(-x)-x**3 ; sqrt(x)-exp(-x) ; x*exp(x)-1 ; 2**x+x-4
x**2-3*sin(x) ; atan(x)+atan(1/x) ; x**x
sqrt(1+exp(x)) ; sqrt(exp(x)-1) ; sqrt(cosh(x)) ; log(sinh(x)) ; exp(-exp(x)) ; exp(-exp(-x)) ; 1/2**(2**x) ; sqrt(log(x)) ; 1/sqrt(exp(x)-1) ; exp(x)/sqrt(1+exp(2*x))
sqrt(1+exp(-x)) ; (1+exp(x))**2 ; (exp(x)-2)**3 ; x-sqrt(x**2) ; sqrt(x**2)/x ; sqrt(x**3)*(2-x**2) ; x**2*sqrt(x+2) ; sqrt(x)/(x**2+3) ; (x-1)/sqrt(x**2+4) ; sqrt(x**2+1)/x
sqrt(x**2-1)/x ; x*sqrt(x**2-4) ; 1/sqrt(x**2+2*x) ; sqrt(x)*exp(-x) ; sqrt(x)*exp(-x/2) ; cosh(x**3)+x**2+4*x ; log(x)+500*x ; sinh(x)+log(10-x) ; (exp(x)-3)**3 ; (x**2-2)**3
(log(x)-1)**3 ; (x-2)**3*(x+1) ; exp(-x)*(x-2)**2 ; sinh(x)*cosh(x) ; cosh(x)**2-3*cosh(x) ; exp(2*x)+exp(-2*x)-4 ; log(exp(x)+1)-x ; log(x)**3 ; x**2/log(x) ; (exp(x)+1)/(exp(x)-1)
log(x**2-4*x+5) ; exp(-x**2+4*x) ; Abs(exp(x)-2) ; Abs(x)/(1+x**2) ; Abs(atan(x)) ; Abs(x**2-2*x)-x ; log(1+Abs(x)) ; Abs(sqrt(x)-1) ; acos(x**2) ; asin(exp(x))
acos(1/x) ; atan(x**3) ; asin(x)**2 ; atan(log(x)) ; atan(x)**2 ; exp(asin(x)) ; acos(x)-x ; asin(x)+acos(x)+x ; sqrt(acos(x)) ; log(asin(x))
exp(-acos(x)) ; acos(2*x-1) ; asin((x-1)/2)
"""


class Slow(Exception):
    pass


def bounded(task, seconds=20):
    def stop(*_):
        raise Slow()
    signal.signal(signal.SIGALRM, stop)
    signal.alarm(seconds)
    try:
        return task()
    except (Slow, NotImplementedError, ValueError, TypeError, AttributeError, RecursionError, ZeroDivisionError, KeyError, IndexError):
        return None
    finally:
        signal.alarm(0)


def number(v):
    if v == sp.oo:
        return "inf"
    if v == -sp.oo:
        return "-inf"
    v = complex(sp.N(v, 20, chop=True))
    if abs(v.imag) > 1e-12 * (1 + abs(v)):
        raise ValueError("no real number")
    return float(mpmath.nstr(mpmath.mpf(v.real), 16))


def intervals(s):
    if s is None:
        return None
    parts = s.args if isinstance(s, sp.Union) else [s]
    out = []
    for p in parts:
        if isinstance(p, sp.FiniteSet):
            out += [[number(v), number(v), True, True] for v in p.args]
        elif isinstance(p, sp.Interval):
            out.append([number(p.start), number(p.end), not p.left_open, not p.right_open])
        elif p == sp.S.Reals:
            out.append(["-inf", "inf", False, False])
        elif p != sp.S.EmptySet:
            return None
    return sorted(out, key=lambda i: float(i[0]))


def roots(g, within):
    """The zeros of g; None where SymPy has no finite list of numbers."""
    if g.is_polynomial(x) and within == sp.S.Reals and not g.is_number:
        return sorted(set(sp.real_roots(sp.Poly(g, x))), key=lambda v: sp.N(v))
    s = bounded(lambda: sp.solveset(g, x, within))
    if isinstance(s, sp.Intersection) and isinstance(s.args[-1], sp.FiniteSet):
        s = s.args[-1]
    if s == sp.S.EmptySet:
        return []
    if not isinstance(s, sp.FiniteSet):
        return None
    out = []
    for v in s.args:
        w = complex(sp.N(v, 30))
        if abs(w.imag) < 1e-15:
            out.append(v)
    return out


def sampled(f, within):
    """Values of f at places all over, to refuse a range that cannot be right (function_range has errors)."""
    out = []
    for k in range(-400, 401):
        v = mpmath.mpf(k) / 40
        if sp.Rational(k, 40) in within:
            w = value(f, sp.Rational(k, 40))
            if w is not None:
                out.append(float(w))
    return out


def trusted_range(f, r, within):
    """The range by function_range, None where a value contradicts it or an open end is taken."""
    list_ = intervals(r) if r is not None else None
    if not list_:
        return None
    for w in sampled(f, within):
        if not any(float(a) - 1e-12 <= w <= float(b) + 1e-12 for a, b, _, _ in list_):
            return None
    for part in r.args if isinstance(r, sp.Union) else [r]:
        if isinstance(part, sp.Interval):
            for end, is_open in ((part.start, part.left_open), (part.end, part.right_open)):
                if is_open and end.is_finite and roots(f - end, within):
                    return None
    return list_


def least_period(f, period):
    for k in (12, 8, 6, 5, 4, 3, 2):
        if sp.simplify(sp.expand_trig(f.subs(x, x + period / k) - f)) == 0:
            return period / k
    return period


def mirrored(f, sign):
    """Whether f(-x) = sign * f(x), in value and in where there is one."""
    compared = 0
    for k in range(1, 60):
        a, b = value(f, sp.Rational(k * k, 37)), value(f, -sp.Rational(k * k, 37))
        if (a is None) != (b is None):
            return False
        if a is not None:
            compared += 1
            with mpmath.workdps(40):
                if abs(b - sign * a) > 1e-25 * (1 + abs(a)):
                    return False
    return compared > 0


def straight(f, side):
    """Whether f is a line far out, which nears no other line."""
    a, b, c = (value(f, sp.Integer(side * 20 + k)) for k in (-1, 0, 1))
    with mpmath.workdps(40):
        return a is not None and c is not None and abs(a - 2 * b + c) <= mpmath.mpf("1e-36") * (abs(a) + abs(b))


def inside(f, p):
    """Whether f has values on both sides of p."""
    h = sp.Rational(1, 10**9)
    return value(f, sp.N(p, 40) - h) is not None and value(f, sp.N(p, 40) + h) is not None


def value(g, v):
    with mpmath.workdps(40):
        try:
            w = sp.lambdify(x, g, "mpmath")(mpmath.mpf(str(sp.N(v, 40))))
            if isinstance(w, mpmath.mpc):
                if abs(w.imag) > 1e-20:
                    return None
                w = w.real
            return w if mpmath.isfinite(w) else None
        except (ValueError, ZeroDivisionError, TypeError):
            return None


def sign_change(g, v):
    h = mpmath.mpf("1e-8")
    w = sp.N(v, 30)
    a, b = value(g, w - h), value(g, w + h)
    if a is None or b is None:
        return None
    return int(mpmath.sign(a)), int(mpmath.sign(b))


def parvix(text):
    """The formula as it is typed in Parvix."""
    for name, other in (("**", "^"), ("Abs(", "abs("), ("log(", "ln("), ("asinh", "arsinh"), ("acosh", "arcosh"),
                        ("atanh", "artanh"), ("atan(", "arctan("), ("asin(", "arcsin("), ("acos(", "arccos(")):
        text = text.replace(name, other)
    return text


def findings(text):
    f = sp.sympify(text, locals={"x": x})
    out = {"expr": parvix(text)}
    period = bounded(lambda: periodicity(f, x)) if f.has(sp.sin, sp.cos, sp.tan) else None
    if period is not None and not period.has(sp.I):
        period = least_period(f, period)
        out["period"] = number(period)
    within = sp.Interval.Ropen(0, period) if period is not None else sp.S.Reals
    domain = bounded(lambda: continuous_domain(f, x, within))
    blind = f.has(sp.Abs, sp.asin, sp.acos, sp.acosh, sp.atanh)  # continuous_domain of 1.11.1 does not know their gaps
    if period is None and intervals(domain) is not None and not blind:
        out["domain"] = intervals(domain)
        r = bounded(lambda: function_range(f, x, domain))
        if trusted_range(f, r, domain):
            out["range"] = trusted_range(f, r, domain)
    elif period is not None and domain == within:
        r = bounded(lambda: function_range(f, x, sp.Interval(0, period)))
        if trusted_range(f, r, domain):
            out["range"] = trusted_range(f, r, domain)
    endless = period is None and f.has(sp.sin, sp.cos, sp.tan)  # solveset of 1.11.1 is not to be trusted there
    z = None if endless else roots(f, within if domain is None else domain)
    if z is not None:
        out["zeros"] = sorted(number(v) for v in z if value(f, v) is not None)
    smooth = not f.has(sp.Abs)
    d1, d2 = sp.simplify(sp.diff(f, x)), sp.simplify(sp.diff(f, x, 2))
    inner = domain.interior if domain is not None and period is None else within
    s1 = roots(d1, inner) if smooth else None
    if s1 is not None:
        kinds = [(number(v), sign_change(d1, v), number(sp.N(value(f, v), 20))) for v in s1 if value(f, v) is not None]
        if all(k for _, k, _ in kinds):
            out["maxima"] = sorted([a, y] for a, k, y in kinds if k == (1, -1))
            out["minima"] = sorted([a, y] for a, k, y in kinds if k == (-1, 1))
    s2 = roots(d2, inner) if smooth else None
    if s2 is not None:
        kinds = [(number(v), sign_change(d2, v), number(sp.N(value(f, v), 20))) for v in s2 if value(f, v) is not None]
        if all(k for _, k, _ in kinds):
            out["inflections"] = sorted([a, y] for a, k, y in kinds if k[0] * k[1] < 0)
    if period is None:
        far = []
        for side, at in ((-1, -sp.oo), (1, sp.oo)):
            ends = intervals(domain) if domain is not None else [["-inf", "inf", False, False]]
            if (side < 0 and ends[0][0] != "-inf") or (side > 0 and ends[-1][1] != "inf"):
                far.append(None)
                continue
            limit = bounded(lambda: sp.limit(f, x, at))
            m = bounded(lambda: sp.limit(f / x, x, at)) if limit in (sp.oo, -sp.oo) else None
            if limit is None or not limit.is_number or limit.has(sp.AccumBounds):
                far = None
                break
            if limit.is_finite:
                far.append([0, number(limit)])
            elif m is not None and m.is_finite and m != 0:
                b = bounded(lambda: sp.limit(f - m * x, x, at))
                far.append([number(m), number(b)] if b is not None and b.is_finite else None)
            else:
                far.append(None)
        if far is not None:
            out["farOut"] = [None if straight(f, side) else line for side, line in zip((-1, 1), far)]
    if not f.has(sp.Abs):
        places = bounded(lambda: singularities(f, x, within if period is not None else sp.S.Reals))
        if isinstance(places, sp.FiniteSet) or places == sp.S.EmptySet:
            poles, holes, ok = [], [], True
            for p in places:
                if domain is not None and p not in domain.closure:
                    continue
                if value(f, sp.N(p, 40) - sp.Rational(1, 10**9)) is None and value(f, sp.N(p, 40) + sp.Rational(1, 10**9)) is None:
                    continue
                limits = [bounded(lambda: sp.limit(f, x, p, side)) for side in "+-"]
                if any(l is None for l in limits):
                    ok = False
                elif any(l in (sp.oo, -sp.oo) for l in limits):
                    poles.append(number(p))
                elif limits[0] == limits[1] and limits[0].is_real and inside(f, p) and value(f, p) is None:
                    holes.append([number(p), number(limits[0])])
            if ok:
                out["poles"], out["holes"] = sorted(poles), sorted(holes)
    out["symmetry"] = "even" if mirrored(f, 1) else "odd" if mirrored(f, -1) else "none"
    return out


if __name__ == "__main__":
    for text in FUNCTIONS.replace("\n", ";").split(";"):
        if text.strip():
            try:
                line = findings(text.strip())
            except Exception as error:  # a function that SymPy cannot treat is left out, by name
                print(text, repr(error), file=sys.stderr)
                continue
            print(json.dumps(line), flush=True)
