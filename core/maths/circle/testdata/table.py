# Writes the table beside this file: python3 table.py > mpmath.txt (mpmath 1.3.0).
from mpmath import mp, mpf, pi, sin, cos, tan, cot, sec, csc, nstr

mp.dps = 30
print("# degrees sin cos tan cot sec csc; mpmath 1.3.0 at 30 digits, printed to 17, 2026-11-25")


def text(f, r):
    try:
        v = f(r)
    except ZeroDivisionError:
        return "undefined"
    if abs(v) > 1e15:
        return "undefined"
    return "0" if abs(v) < 1e-25 else nstr(v, 17)


for d in list(range(0, 360, 15)) + [1, 7, 20, 37, 89, 91, 123, 200.5, 359, 1000, -40, -725, 100001]:
    if d == 1:
        print("# others")
    r = mpf(d) * pi / 180
    print(d, " ".join(text(f, r) for f in (sin, cos, tan, cot, sec, csc)))
