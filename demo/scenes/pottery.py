"""Vessels of the house: thrown profiles with rings and wobble, glaze as absorption over clay."""
import numpy as np
from geometry import *

GLAZE = {  # Beer-Lambert absorption per unit thickness over a clay body
    "celadon": dict(abs=np.array([1.30, 0.58, 0.98]), body=np.array([0.70, 0.64, 0.52]), rim=np.array([0.20, 0.115, 0.055])),
    "amber": dict(abs=np.array([0.42, 1.30, 3.20]), body=np.array([0.70, 0.56, 0.38]), rim=np.array([0.13, 0.042, 0.014])),
    "white": dict(abs=np.array([0.10, 0.13, 0.20]), body=np.array([0.74, 0.70, 0.62]), rim=np.array([0.36, 0.23, 0.12])),
}
CLAY = np.array([0.32, 0.205, 0.125])


def vessel(
    name,
    prof,
    rim_y,
    glaze,
    seed,
    out,
    nu=104,
    nv=132,
    foot=0.6,
    wob=0.006,
    spout=None,
    ring=0.03,
    inside_line=None,
    texw=900,
    texh=900,
    raw=False,
):
    """prof: (r,y) from outer bottom centre, over the rim, to inner bottom centre"""
    P = catmull(prof, nv)
    r, y = P[:, 0].copy(), P[:, 1].copy()
    r = np.maximum(r, 0)
    s = np.r_[0, np.cumsum(np.hypot(np.diff(r), np.diff(y)))]
    L = s[-1]
    v = s / L
    k = int(np.argmax(y))
    outer = np.arange(nv) <= k
    th = np.linspace(0, 2 * np.pi, nu + 1)
    TH, V = np.meshgrid(th, v)
    R = np.repeat(r[:, None], nu + 1, 1)
    Y = np.repeat(y[:, None], nu + 1, 1)
    ct, st = np.cos(TH), np.sin(TH)
    hh = np.clip(Y / max(rim_y, 1), 0, 1)
    R = R * (1 + wob * hh * np.cos(2 * TH + seed) + wob * 0.5 * hh * np.cos(3 * TH + 2.1 * seed))
    rimfac = smooth(0.6, 1.0, Y / rim_y)
    Y = Y + 0.010 * rim_y * rimfac * vnoise(ct * 1.3 + seed, st * 1.3, seed=seed)
    # throwing rings (spiral)
    ph = 2 * np.pi * (Y / 0.85) + TH
    amp = ring * (0.4 + 0.6 * np.clip(vnoise(Y * 0.35, ct * 0.4, seed=seed + 3) + 0.5, 0, 1)) * smooth(0.5, 2.5, R)
    R = R + np.where(outer[:, None], 1, -1) * amp * np.sin(ph)
    if spout:  # (angle,out,width)
        a, o, w = spout
        d = np.angle(np.exp(1j * (TH - a)))
        g = np.exp(-((d / w) ** 2)) * smooth(0.72, 1.0, Y / rim_y)
        R = R + o * g
        Y = Y + 0.35 * o * g - 0.0 * g
        side = np.exp(-(((np.abs(d) - 1.9 * w) / w) ** 2)) * smooth(0.8, 1, Y / rim_y)
        R = R - 0.22 * o * side
    X = R * np.cos(TH)
    Z = R * np.sin(TH)
    VV = np.stack([X, Y, Z], -1).reshape(-1, 3)
    F = grid_faces(nu + 1, nv)
    N = normals(VV, F).reshape(nv, nu + 1, 3)
    n0 = N[:, 0] + N[:, -1]
    n0 /= np.maximum(np.linalg.norm(n0, axis=1), 1e-6)[:, None]
    N[:, 0] = n0
    N[:, -1] = n0
    N[0] = [0, -1, 0]
    N[-1] = [0, 1, 0]
    if (N[k // 2, 0] @ np.array([1, 0, 0])) < 0:
        N = -N
    UV = np.stack([TH / (2 * np.pi), V], -1).reshape(-1, 2)
    # ---- glaze textures -----
    g = GLAZE[glaze]
    tv = (np.arange(texh) + 0.5) / texh
    tu = (np.arange(texw) + 0.5) / texw
    rr = np.interp(tv, v, r)
    yy = np.interp(tv, v, y)
    drdv = np.gradient(rr, tv * L)
    dydv = np.gradient(yy, tv * L)
    o = (tv < v[k])[:, None]
    TU, TV = np.meshgrid(tu * 2 * np.pi, tv)
    cu, su = np.cos(TU), np.sin(TU)
    Yt = np.repeat(yy[:, None], texw, 1)
    Rt = np.repeat(rr[:, None], texw, 1)
    px, pz = Rt * cu, Rt * su
    n1 = fbm(px * 0.22 + seed, Yt * 0.22 + np.where(o, 0, 31.7), pz * 0.22, 4, seed=seed)
    n2 = fbm(px * 1.2 + seed, Yt * 1.2 + np.where(o, 0, 11.7), pz * 1.2, 3, seed=seed + 5)
    # thickness: runs down, pools at inner bottom and above the foot
    drim = np.abs(TV - v[k]) * L
    t = 0.95 + 0.35 * n1 + 0.14 * n2
    t = t + 0.75 * np.where(o, 0, smooth(0.45, 0.0, (Yt - yy[-1]) / max(rim_y - yy[-1], 1)))  # inside pool
    t = t + 0.55 * np.where(o, np.exp(-(((Yt - foot - 0.5) / 0.5) ** 2)), 0)  # roll above the foot
    t = t - 0.16 * np.sin(2 * np.pi * (Yt / 0.85) + TU) * np.where(o, 1, -1) * 0.5
    t = t * (0.22 + 0.78 * smooth(0.0, 0.9 + 0.35 * n1, drim))
    t = np.clip(t, 0.05, 3.2)
    col = g["body"] * np.exp(-g["abs"] * t[..., None])
    rimm = (np.exp(-((drim / (0.20 + 0.10 * n1 + 0.05 * n2)) ** 2)) * 0.85)[..., None]
    col = col * (1 - rimm) + g["rim"] * rimm
    col = col * (1 + 0.05 * n2[..., None])
    # iron specks
    sp = vnoise(px * 5.1, Yt * 5.1 + np.where(o, 0, 77), pz * 5.1 + 0.37, seed=seed + 9)
    sp2 = vnoise(px * 11.1, Yt * 11.1 + np.where(o, 0, 77), pz * 11.1 + 0.21, seed=seed + 19)
    m = np.clip(smooth(0.80, 0.93, sp) * 0.75 + smooth(0.86, 0.95, sp2) * 0.55, 0, 1)[..., None] * (0.8 if glaze != "amber" else 0.4)
    col = col * (1 - m) + np.array([0.05, 0.025, 0.012]) * m
    # bare clay below the foot line and on the foot ring
    line = foot + 0.16 * fbm(cu * 2.2 + seed, su * 2.2, 0.3, 3, seed=seed + 2)
    bare = np.where(o, smooth(0.06, -0.06, Yt - line), 0)
    if raw:
        bare = np.where(o, smooth(0.10, -0.10, Yt - (rim_y * 0.72 + 0.5 * fbm(cu * 1.3 + seed, su * 1.3, 0.2, 3, seed=seed + 7) * 2)), 0)
    clay = CLAY * (1 + 0.16 * n2 + 0.10 * n1)[..., None] * (1 - 0.55 * m)
    clay = clay * (1.0 + 0.25 * np.exp(-(((Yt - line) / 0.25) ** 2))[..., None] * np.array([1.0, 0.55, 0.3]))  # flashing
    col = col * (1 - bare[..., None]) + clay * bare[..., None]
    png16(out + "/%s_c.png" % name, col[::-1])
    png16(out + "/%s_m.png" % name, (1 - bare)[::-1])
    b = 0.5 + 0.5 * np.clip(0.5 * n2 + 0.5 * bare * vnoise(px * 16, Yt * 16, pz * 16 + 0.3, seed=seed + 4) - 0.6 * m[..., 0], -1, 1)
    png16(out + "/%s_b.png" % name, b[::-1])
    open(out + "/%s.inc" % name, "w").write(mesh2("M_" + name, VV, F, N.reshape(-1, 3), UV))
    tex = """#declare P_%(n)s=pigment{uv_mapping image_map{png "%(o)s/%(n)s_c.png" gamma 1.0 interpolate 2}}
#declare T_%(n)s=texture{uv_mapping image_pattern{png "%(o)s/%(n)s_m.png" gamma 1.0 interpolate 2}
 texture_map{[0 pigment{P_%(n)s} finish{F_Clay} normal{uv_mapping bump_map{png "%(o)s/%(n)s_b.png" gamma 1.0 interpolate 2 bump_size 5}}]
 [1 pigment{P_%(n)s} finish{F_Glaze} normal{bumps 0.035 scale 0.9}]}}
""" % dict(
        n=name, o=out
    )
    open(out + "/%s.inc" % name, "a").write(tex)
    return dict(r=r, y=y)


def build(out):
    # bowl, r 11.5 h 8
    vessel(
        "bowl",
        [
            (0, 0.45),
            (2.6, 0.45),
            (3.4, 0.35),
            (3.55, 0),
            (4.25, 0),
            (4.4, 0.5),
            (6.0, 1.4),
            (8.6, 3.4),
            (10.6, 5.9),
            (11.6, 8.0),
            (11.75, 8.25),
            (11.55, 8.35),
            (11.3, 8.15),
            (10.2, 6.0),
            (8.2, 3.7),
            (5.6, 1.9),
            (3, 1.15),
            (0, 0.95),
        ],
        8.3,
        "celadon",
        3,
        out,
        foot=0.75,
        nu=128,
        nv=150,
    )
    vessel(
        "sbowl",
        [
            (0, 0.4),
            (1.9, 0.4),
            (2.3, 0.3),
            (2.4, 0),
            (2.95, 0),
            (3.1, 0.45),
            (4.3, 1.0),
            (5.7, 2.3),
            (6.5, 4.0),
            (6.75, 4.9),
            (6.7, 5.05),
            (6.5, 4.95),
            (6.2, 4.0),
            (5.3, 2.5),
            (3.8, 1.4),
            (2, 0.9),
            (0, 0.8),
        ],
        5.0,
        "amber",
        11,
        out,
        foot=0.6,
    )
    vessel(
        "cupc",
        [
            (0, 0.3),
            (2.2, 0.3),
            (2.5, 0.2),
            (2.6, 0),
            (3.1, 0),
            (3.35, 0.4),
            (3.9, 1.1),
            (4.15, 2.4),
            (4.15, 5.0),
            (4.2, 8.3),
            (4.3, 9.0),
            (4.2, 9.12),
            (4.05, 9.0),
            (3.9, 8.0),
            (3.82, 5.0),
            (3.8, 2.4),
            (3.3, 1.2),
            (2, 0.75),
            (0, 0.7),
        ],
        9.1,
        "celadon",
        21,
        out,
        foot=1.0,
        ring=0.045,
    )
    vessel(
        "cupa",
        [
            (0, 0.3),
            (2.2, 0.3),
            (2.5, 0.2),
            (2.6, 0),
            (3.1, 0),
            (3.35, 0.4),
            (3.95, 1.2),
            (4.3, 2.6),
            (4.2, 5.0),
            (4.0, 7.4),
            (4.1, 8.2),
            (4.02, 8.32),
            (3.88, 8.2),
            (3.75, 7.2),
            (3.9, 5.0),
            (3.95, 2.6),
            (3.4, 1.3),
            (2, 0.8),
            (0, 0.7),
        ],
        8.3,
        "amber",
        33,
        out,
        foot=1.0,
        ring=0.045,
    )
    vessel(
        "jug",
        [
            (0, 0.4),
            (3.4, 0.4),
            (4.0, 0.3),
            (4.2, 0),
            (4.9, 0),
            (5.2, 0.5),
            (6.6, 2.6),
            (7.6, 5.6),
            (7.7, 8.6),
            (6.8, 12.0),
            (5.1, 15.0),
            (4.1, 17.3),
            (4.1, 19.0),
            (4.8, 21.3),
            (5.1, 22.0),
            (5.0, 22.2),
            (4.8, 22.05),
            (4.4, 21.0),
            (3.7, 19.0),
            (3.65, 17.3),
            (4.6, 15.0),
            (6.3, 12.0),
            (7.2, 8.6),
            (7.0, 5.6),
            (6.0, 2.8),
            (4, 1.2),
            (0, 0.9),
        ],
        22.2,
        "amber",
        7,
        out,
        foot=1.6,
        spout=(np.pi, 1.9, 0.42),
        nu=120,
        nv=180,
        ring=0.05,
    )
    vessel(
        "vase",
        [
            (0, 0.4),
            (3.2, 0.4),
            (3.8, 0.3),
            (4.0, 0),
            (4.6, 0),
            (5.0, 0.5),
            (6.4, 3.0),
            (7.2, 6.5),
            (7.0, 10.0),
            (5.4, 13.2),
            (3.2, 15.4),
            (2.3, 17.0),
            (2.35, 18.8),
            (2.9, 20.2),
            (3.0, 20.5),
            (2.85, 20.55),
            (2.6, 20.3),
            (2.0, 18.8),
            (1.9, 17.0),
            (2.8, 15.2),
            (4.9, 13.0),
            (6.4, 10),
            (6.6, 6.5),
            (5.8, 3.2),
            (3, 1.2),
            (0, 0.9),
        ],
        20.5,
        "white",
        15,
        out,
        foot=1.0,
        raw=True,
        nu=112,
        nv=150,
    )
    vessel(
        "plate",
        [
            (0, 0.35),
            (6.0, 0.35),
            (6.5, 0.25),
            (6.7, 0),
            (7.3, 0),
            (7.5, 0.4),
            (9.0, 0.8),
            (11.2, 1.5),
            (12.6, 2.1),
            (12.8, 2.3),
            (12.6, 2.42),
            (11.0, 1.9),
            (9.0, 1.25),
            (7, 0.9),
            (3, 0.8),
            (0, 0.8),
        ],
        2.4,
        "white",
        41,
        out,
        foot=0.3,
        wob=0.004,
    )
    # jug handle: pulled strap
    V, F, UV = tube(
        [(4.3, 20.3, 0), (6.6, 21.6, 0), (9.6, 20.4, 0), (11.0, 16.8, 0), (10.4, 12.6, 0), (8.6, 9.6, 0), (7.0, 8.2, 0)],
        [0.95, 0.78, 0.66, 0.62, 0.62, 0.72, 1.05],
        ns=22,
        npt=70,
        flat=1.45,
        up=(0, 0, 1),
    )
    open(out + "/handle.inc", "w").write(mesh2("M_handle", V, F, None, UV))
