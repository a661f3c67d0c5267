#!/usr/bin/env python3
"""Sinusoids fitted by SciPy (python3-scipy of Debian), an optimiser of its own: scipy.optimize.least_squares, method trf.

Run it in this folder; it writes sinusoids.json. The data are invented, with a fixed seed:
heights of a tide (m, every hour), hours of daylight over a year (every ten days, rounded to minutes).
"""
import json

import numpy as np
from scipy.optimize import least_squares

rng = np.random.default_rng(20261129)


def fit(x, y, start):
    f = lambda p: p[0] * np.sin(p[1] * x + p[2]) + p[3] - y
    jac = lambda p: np.column_stack([np.sin(p[1] * x + p[2]), p[0] * x * np.cos(p[1] * x + p[2]), p[0] * np.cos(p[1] * x + p[2]), np.ones_like(x)])
    r = least_squares(f, start, jac=jac, xtol=1e-15, ftol=1e-15, gtol=1e-15, x_scale="jac")
    r = least_squares(f, r.x, jac=jac, xtol=1e-15, ftol=1e-15, gtol=1e-15)
    return list(r.x), 2 * r.cost


sets = []
t = np.arange(0, 25.0)
h = np.round(2.9 + 1.85 * np.sin(2 * np.pi / 12.42 * t + 0.7) + rng.normal(0, 0.06, t.size), 2)
p, sse = fit(t, h, [1.8, 0.5, 0.7, 2.9])
sets.append({"name": "tide", "x": list(t), "y": list(h), "coefficients": p, "sse": sse})
d = np.arange(0, 365.0, 10)
w = np.round((12.2 + 4.3 * np.sin(2 * np.pi / 365.25 * (d - 80)) + rng.normal(0, 0.05, d.size)) * 60) / 60
p, sse = fit(d, w, [4.3, 0.0172, -1.37, 12.2])
sets.append({"name": "daylight", "x": list(d), "y": list(w), "coefficients": p, "sse": sse})
json.dump(sets, open("sinusoids.json", "w"), indent=1)
