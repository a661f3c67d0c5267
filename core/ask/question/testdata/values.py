#!/usr/bin/python3
"""Writes values.tsv: formulas in textbook typing with their values by mpmath at 40 digits.

Run with Debian's python3-mpmath: python3 values.py > values.tsv. The functions are those of the NIST Digital Library of
Mathematical Functions, chapter 4 (dlmf.nist.gov/4), whose definitions and branches mpmath follows; where a school's
convention differs (arccot, real odd roots, powers of negative numbers) the formula is spelled out beside it.
"""
import mpmath as m

m.mp.dps = 40
R = m.mpf
rows = []


def add(text, value):
    rows.append((text, m.nstr(value, 25, min_fixed=-5, max_fixed=25)))


places = ["0.1", "0.5", "1", "1.7", "2.9", "12.25"]
for x in places:
    v = R(x)
    add(f"sin {x}", m.sin(v))
    add(f"cos {x}", m.cos(v))
    add(f"tan({x})", m.tan(v))
    add(f"cot({x})", m.cot(v))
    add(f"sec({x})", m.sec(v))
    add(f"csc({x})", m.csc(v))
    add(f"arctan {x}", m.atan(v))
    add(f"arccot {x}", m.pi / 2 - m.atan(v))  # between 0 and π (textbook; DLMF 4.23.9 for x > 0)
    add(f"sinh({x})", m.sinh(v))
    add(f"cosh({x})", m.cosh(v))
    add(f"tanh({x})", m.tanh(v))
    add(f"coth({x})", m.coth(v))
    add(f"arsinh({x})", m.asinh(v))
    add(f"ln {x}", m.log(v))
    add(f"log({x})", m.log10(v))
    add(f"log_2({x})", m.log(v, 2))
    add(f"log_3 {x}", m.log(v, 3))
    add(f"e^{x}", m.exp(v))
    add(f"exp(-{x})", m.exp(-v))
    add(f"√{x}", m.sqrt(v))
    add(f"cbrt({x})", m.cbrt(v))
    add(f"∛(−{x})", -m.cbrt(v))  # the real root
    add(f"root_5({x})", m.root(v, 5))
    add(f"2^{x}", R(2) ** v)
    add(f"{x}^π", v ** m.pi)
for x in ["-0.99", "-0.5", "0", "0.25", "0.8", "1"]:
    v = R(x)
    add(f"arcsin({x})", m.asin(v))
    add(f"arccos({x})", m.acos(v))
for x in ["1.25", "2", "10"]:
    v = R(x)
    add(f"arcsec({x})", m.asec(v))
    add(f"arccsc({x})", m.acsc(v))
    add(f"arcosh({x})", m.acosh(v))
    add(f"artanh(1/{x})", m.atanh(1 / v))
for d in [15, 30, 45, 75, 110, 200, 333, 700]:
    a = m.radians(R(d))
    add(f"sin {d}°", m.sin(a))
    add(f"cos {d}°", m.cos(a))
for text, value in [
    ("sin(π/12)", m.sin(m.pi / 12)),
    ("cos(7π/6)", m.cos(7 * m.pi / 6)),
    ("tan(5pi/12)", m.tan(5 * m.pi / 12)),
    ("sin²1.3 + cos²1.3", R(1)),
    ("sin 2·1.3", m.sin(2) * R("1.3")),  # a dot ends the argument of a function without brackets
    ("2sin 1.3 cos 1.3", 2 * m.sin(R("1.3")) * m.cos(R("1.3"))),
    ("(1 + 1/1000)^1000", (1 + R(1) / 1000) ** 1000),
    ("√2 + √3", m.sqrt(2) + m.sqrt(3)),
    ("√(2 + √3)", m.sqrt(2 + m.sqrt(3))),
    ("(−8)^(1/3)", R(-2)),
    ("(−8)^(2/3)", R(4)),
    ("−2^2", R(-4)),
    ("2^3^2", R(512)),
    ("8^(−2/3)", R(1) / 4),
    ("1/2·3", R("1.5")),
    ("3^0.5·3^0.5", R(3)),
    ("e^(−0.5²/2)/√(2π)", m.exp(-R("0.125")) / m.sqrt(2 * m.pi)),
    ("4/(1 + e^(−3·0.7))", 4 / (1 + m.exp(-R("2.1")))),
    ("ln(e^2.5)", R("2.5")),
    ("log 1000", R(3)),
    ("log_2 1024", R(10)),
    ("ln 2 / ln 10", m.log10(2)),
    ("|−3.5| + |2 − 7|", R("8.5")),
    ("⌊−2.5⌋", R(-3)),
    ("⌈−2.5⌉", R(-2)),
    ("floor(2.999)", R(2)),
    ("sgn(−4)", R(-1)),
    ("max(1, π, e)", m.pi),
    ("min(√2, 1.4)", R("1.4")),
    ("0.1 + 0.2", R("0.3")),
    ("1e", m.e),
    ("arctan 1 · 4", m.pi),
    ("4arctan(1/5) − arctan(1/239)", m.pi / 4),
    ("sin(10^5)", m.sin(R(10) ** 5)),
    ("cos(10^6)", m.cos(R(10) ** 6)),
    ("e^−700", m.exp(-700)),
    ("10^300", R(10) ** 300),
    ("2^−40", R(2) ** -40),
    ("(2 + 3)(4 − 1)", R(15)),
    ("6 ÷ 2 · 3", R(9)),
    ("3 sin^2 0.4", 3 * m.sin(R("0.4")) ** 2),
    ("sin^-1 0.4", m.asin(R("0.4"))),
    ("cosh²2 − sinh²2", R(1)),
    ("cos 0.4 + 0.5cos 1.2", m.cos(R("0.4")) + m.cos(R("1.2")) / 2),
    ("1.5²/(2·9.81) · sin²50°", R("1.5") ** 2 / (2 * R("9.81")) * m.sin(m.radians(50)) ** 2),
]:
    add(text, value)

print(f"# formula\tvalue, by mpmath {m.__version__} at {m.mp.dps} digits (values.py)")
for text, value in rows:
    print(f"{text}\t{value}")
