"""First and second derivatives of the functions of findings.py by SymPy, for TestDerivativesAgreeWithTheReferenceLibrary.

Made with SymPy 1.11.1 (Debian package python3-sympy):

    python3 derivatives.py > derivatives.tsv

Each line: the function, a place, f′ and f″ there with 15 digits.
"""
import sympy as sp

from findings import FUNCTIONS, x, parvix

for text in FUNCTIONS.replace("\n", ";").split(";"):
    if not text.strip():
        continue
    f = sp.sympify(text.strip(), locals={"x": x})
    d1 = sp.diff(f, x)
    d2 = sp.diff(d1, x)
    for place in ("0.3", "0.7", "1.9", "-1.3", "3.7"):
        values = [sp.N(g.subs(x, sp.Rational(place)), 25) for g in (f, d1, d2)]
        if all(v.is_real and v.is_finite and abs(v) < 10**9 for v in values):
            print(parvix(text.strip()), place, *[sp.N(v, 15) for v in values[1:]], sep="\t")
