"""Wood, linen, leaves and fruit: meshes and textures (numpy only)."""
from geometry import *


# ---------------- wood: 3 linear colour maps are picked per plank in one image ----------------
def wood(out, W=2600, H=1730, wx=150.0, wz=100.0, plank=13.5, seed=5):
    x = np.linspace(0, wx, W)
    z = np.linspace(0, wz, H)
    X, Z = np.meshgrid(x, z)
    pi = np.floor(Z / plank).astype(int)
    zl = Z - pi * plank
    col = np.zeros((H, W, 3))
    b = np.zeros((H, W))
    for p in range(pi.max() + 1):
        r = rng0(100 * seed + p)
        rows = np.where(pi[:, 0] == p)[0]
        if len(rows) == 0:
            continue
        x0 = X[rows] + r.uniform(0, 500)
        zz = zl[rows] - r.uniform(-3, plank + 3)
        dep = 2.2 + r.uniform(0, 3) + 2.6 * vnoise(x0 * 0.018, zz * 0.02, seed=p) + 0.8 * vnoise(x0 * 0.06, zz * 0.1, seed=p + 40)
        zz = zz + 0.9 * vnoise(x0 * 0.025, zz * 0.12, seed=p + 7) + 0.12 * vnoise(x0 * 0.15, zz * 0.7, seed=p + 8)
        d = np.sqrt(zz**2 + dep**2) * 2.3 + 0.25 * vnoise(x0 * 0.05, zz * 1.1, seed=p + 3)
        f = d - np.floor(d)
        ring = smooth(0.0, 0.72, f) * smooth(1.0, 0.86, f)  # slow early -> sharp late wood
        fib = fbm(x0 * 0.35, zz * 11.0, 0.0, 3, seed=p + 11)
        fib2 = fbm(x0 * 1.6, zz * 38.0, 0.0, 2, seed=p + 13)
        pore = smooth(0.35, 0.8, vnoise(x0 * 0.9, zz * 30, seed=p + 17)) * (0.35 + 0.65 * (1 - ring))
        ray = smooth(0.62, 0.9, vnoise(x0 * 0.5, zz * 1.6, seed=p + 19)) * 0.10
        base = np.array([0.300, 0.150, 0.068]) * (1 + r.uniform(-0.16, 0.20))
        dark = base * np.array([0.46, 0.40, 0.34])
        t = np.clip(0.60 * ring + 0.16 * fib + 0.10 * fib2 + 0.24 * vnoise(x0 * 0.03, zz * 0.2, seed=p + 23), 0, 1)[..., None]
        c = base * (1 - t) + dark * t
        c = c * (1 + 0.10 * fib2[..., None]) * (1 - 0.42 * pore[..., None]) * (1 + ray[..., None])
        hgt = 0.6 - 0.18 * ring - 0.5 * pore + 0.08 * fib2
        e = np.minimum(zl[rows], plank - zl[rows])
        gap = smooth(0.11, 0.03, e)
        c = c * (1 - 0.90 * gap[..., None])
        hgt = hgt * (1 - gap) - 0.3 * smooth(0.28, 0.0, e)
        col[rows] = c
        b[rows] = hgt
    # a few faint water/oil marks
    st = fbm(X * 0.05, Z * 0.05, 0.0, 4, seed=77)
    col *= (1 + 0.10 * st)[..., None]
    png16(out + "/wood_c.png", col[::-1])
    png16(out + "/wood_b.png", (np.clip(b, -0.4, 1) + 0.4)[::-1] / 1.4)


# ---------------- linen -----------------
def linen_tex(out, n=1600, cm=12.0, pitch=0.085, name="linen", base=(0.56, 0.51, 0.42), stripe=None):
    g = np.linspace(0, cm, n, endpoint=False)
    X, Z = np.meshgrid(g, g)
    k = int(round(cm / pitch))
    r = rng0(3)
    tw = r.uniform(0.78, 1.18, k)
    tc = r.normal(0, 0.10, k)
    tw2 = r.uniform(0.78, 1.18, k)
    tc2 = r.normal(0, 0.10, k)

    def thr(A, B, w, c, s):
        u = A / pitch + 0.10 * vnoise(B * 0.9, np.floor(A / pitch) * 3.7, seed=s)
        i = np.floor(u).astype(int) % k
        f = u - np.floor(u) - 0.5
        sl = 1 + 0.25 * vnoise(B * 1.4, i * 5.3, seed=s + 1)
        prof = np.clip(1 - (f / (0.5 * np.minimum(w[i] * sl, 1.1))) ** 2, 0, 1)
        return i, prof, c[i] + 0.10 * vnoise(B * 2.2, i * 7.1, seed=s + 2)

    i, pw, cw = thr(X, Z, tw, tc, 1)
    j, pf, cf = thr(Z, X, tw2, tc2, 2)
    over = (i + j) % 2 == 0
    h = np.where(over, pw * (0.65 + 0.35 * np.abs(np.sin(np.pi * Z / pitch))), pf * (0.65 + 0.35 * np.abs(np.sin(np.pi * X / pitch))))
    tone = 1 + np.where(over, cw, cf)
    c = np.array(base) * tone[..., None] * (0.55 + 0.45 * h)[..., None]
    png16(out + "/%s_c.png" % name, c[::-1])
    png16(out + "/%s_b.png" % name, h[::-1])


def cloth(out, name="cloth", x0=-19, x1=9, z0=-27, z1=-3, rot=-0.22, flat=((0, 0, 5),), seed=2, nu=210, nv=160):
    cx, cz = (x0 + x1) / 2, (z0 + z1) / 2
    U, V = np.meshgrid(np.linspace(x0 - cx, x1 - cx, nu), np.linspace(z0 - cz, z1 - cz, nv))
    # irregular edges
    eu = 0.35 * vnoise(V * 0.18, 0, seed=seed) + 0.08 * vnoise(V * 0.9, 0, seed=seed + 1)
    ev = 0.35 * vnoise(U * 0.18, 3, seed=seed + 2) + 0.08 * vnoise(U * 0.9, 2, seed=seed + 3)
    x = (U + eu) * np.cos(rot) - (V + ev) * np.sin(rot) + cx
    z = (U + eu) * np.sin(rot) + (V + ev) * np.cos(rot) + cz
    wx = x + 3.0 * vnoise(x * 0.07, z * 0.07, seed=seed + 4)
    wz = z + 3.0 * vnoise(x * 0.07 + 9, z * 0.07, seed=seed + 5)

    def ridge(a, off, w, A, s):
        d = (wx * np.cos(a) + wz * np.sin(a)) - off
        al = -wx * np.sin(a) + wz * np.cos(a)
        amp = A * smooth(-0.35, 0.5, vnoise(al * 0.085, off * 0.7, seed=s))
        ww = w * (1 + 0.4 * vnoise(al * 0.12, off, seed=s + 1))
        return amp * np.exp(-np.abs(d / ww) ** 2.0)

    h = 0.0 * x
    r = rng0(seed + 60)
    for q in range(7):
        h = h + ridge(r.uniform(0.35, 1.5), r.uniform(-22, 12), r.uniform(1.1, 2.1), r.uniform(0.7, 1.9), seed + 10 + q)
    h = h + 0.55 * np.clip(vnoise(wx * 0.13, wz * 0.16, seed=seed + 30) + 0.15, 0, 1) + 0.06 * vnoise(wx * 0.5, wz * 0.5, seed=seed + 31)
    h = 1.7 * np.tanh(h / 1.7)
    for fx, fz, fr in flat:
        d = np.hypot(x - fx, z - fz)
        h = h * smooth(fr * 0.92, fr * 1.5, d)
    edge = np.minimum(np.minimum(U - U.min(), U.max() - U), np.minimum(V - V.min(), V.max() - V))
    h = (
        h * (0.6 + 0.4 * smooth(0, 2.2, edge))
        + 0.13
        + 0.05 * smooth(0.75, 0.5, edge) * smooth(0.0, 0.12, edge)
        - 0.12 * smooth(0.1, 0.0, edge)
    )  # hem
    P = np.stack([x, h, z], -1).reshape(-1, 3)
    F = grid_faces(nu, nv)
    N = normals(P, F)
    if N[:, 1].mean() < 0:
        N = -N
    hem = smooth(0.75, 0.62, edge) - 0.0
    UV = np.stack([U / 12.0, V / 12.0], -1).reshape(-1, 2)
    # skirt so that the hem has thickness
    open(out + "/%s.inc" % name, "w").write(mesh2("M_" + name, P, F, N, UV, inside=False))


# ---------------- leaves -----------------
def leaf_atlas(out, n=8, s=256, name="leaf", cols=None):
    cols = cols or [
        ((60, 82, 52), (96, 120, 78)),
        ((52, 78, 46), (88, 116, 70)),
        ((70, 92, 52), (110, 132, 78)),
        ((78, 96, 66), (120, 138, 100)),
        ((46, 70, 48), (78, 104, 72)),
        ((88, 104, 52), (132, 142, 76)),
        ((58, 84, 58), (92, 120, 88)),
        ((64, 80, 44), (112, 122, 68)),
    ]
    im = np.zeros((s, s * n, 3))
    b = np.zeros((s, s * n))
    for k in range(n):
        u, v = np.meshgrid(np.linspace(-1, 1, s), np.linspace(0, 1, s))
        c0, c1 = srgb(*cols[k % len(cols)][0]), srgb(*cols[k % len(cols)][1])
        vein = np.exp(-((u / 0.035) ** 2))
        sv = np.abs(np.sin((v * 7 - np.abs(u) * 1.6) * np.pi))
        side = smooth(0.16, 0.0, sv) * (1 - np.abs(u))
        t = np.clip(0.35 + 0.35 * fbm(u * 3 + k * 9, v * 5, 0.0, 4, seed=k) + 0.25 * side + 0.75 * vein, 0, 1)[..., None]
        c = c0 * (1 - t) + c1 * t
        br = smooth(0.55, 0.85, fbm(u * 4, v * 6 + k * 7, 0.0, 3, seed=k + 50) + 0.35 * np.abs(u) ** 4)[..., None]
        c = c * (1 - br * 0.5) + np.array([0.16, 0.09, 0.03]) * br * 0.5
        im[:, k * s : (k + 1) * s] = c
        b[:, k * s : (k + 1) * s] = 0.5 - 0.35 * vein - 0.12 * side + 0.1 * fbm(u * 9, v * 14, 0.0, 2, seed=k + 9)
    png16(out + "/%s_c.png" % name, im[::-1])
    png16(out + "/%s_b.png" % name, np.clip(b, 0, 1)[::-1])


def leaf_verts(L, Wd, r, nu=5, nv=9, n=8, shape=0.85):
    u, t = np.meshgrid(np.linspace(-1, 1, nu), np.linspace(0, 1, nv))
    w = Wd * np.sin(np.pi * np.clip(t, 0, 1) ** shape) ** 0.85 * (1 - 0.25 * t) + 0.02
    bend = r.uniform(-0.35, 0.75)
    cup = r.uniform(0.05, 0.35)
    tw = r.uniform(-0.5, 0.5)
    a = bend * t
    yy = np.sinc(a / np.pi) * t * L
    zz = -(1 - np.cos(a)) / np.where(np.abs(a) < 1e-4, 1e-4, a) * t * L
    xx = u * w
    zz = zz + cup * np.abs(u) ** 1.6 * w + 0.03 * L * np.sin(5 * t + r.uniform(0, 6)) * u
    ca, sa = np.cos(tw * t), np.sin(tw * t)
    xx, zz = xx * ca - zz * sa * 0.3, zz + xx * sa
    k = r.integers(0, n)
    uv = np.stack([(k + 0.5 + 0.485 * u) / n, 0.01 + 0.98 * t], -1)
    return np.stack([xx, yy, zz], -1).reshape(-1, 3), grid_faces(nu, nv), uv.reshape(-1, 2)


def frame(d, hint):
    d = d / np.linalg.norm(d)
    x = np.cross(d, hint)
    x /= np.linalg.norm(x) + 1e-9
    z = np.cross(x, d)
    return np.stack([x, d, z])


def branch(out, name, stems, leafL=(4.0, 6.2), leafW=(0.85, 1.25), step=1.35, seed=1, radius=0.16, nv=9, start=0.25, shape=0.85):
    r = rng0(seed)
    LV, LF, LU, LN, nl = [], [], [], [], 0
    SV, SF, ns = [], [], 0

    def add_leaf(p, d, hint, sc=1.0):
        nonlocal nl
        v, f, uv = leaf_verts(r.uniform(*leafL) * sc, r.uniform(*leafW) * sc, r, nv=nv, shape=shape)
        v = v @ frame(d, hint) + p
        LV.append(v)
        LF.append(f + nl)
        LU.append(uv)
        LN.append(normals(v, f))
        nl += len(v)

    for st in stems:
        P = catmull(np.array(st, float), 120)
        T = np.gradient(P, axis=0)
        T /= np.linalg.norm(T, axis=1)[:, None]
        Ls = np.r_[0, np.cumsum(np.linalg.norm(np.diff(P, axis=0), axis=1))]
        rad = np.linspace(radius, radius * 0.35, 9)
        idx = np.linspace(0, 119, 9).astype(int)
        v, f, _ = tube(P[idx], rad, ns=8, npt=50, up=(0.13, 0.2, 1))
        SV.append(v)
        SF.append(f + ns)
        ns += len(v)
        s = Ls[-1] * start
        k = 0
        while s < Ls[-1]:
            i = np.searchsorted(Ls, s)
            i = min(i, 119)
            t = T[i]
            a = k * 2.4 + r.uniform(-0.5, 0.5)
            n0 = np.cross(t, [0.3, 0.1, 1])
            n0 /= np.linalg.norm(n0)
            n1 = np.cross(t, n0)
            side = np.cos(a) * n0 + np.sin(a) * n1
            d = side * r.uniform(0.7, 1.0) + t * r.uniform(0.4, 0.9) + np.array([0, -0.15, 0])
            sc = 1 - 0.45 * (s / Ls[-1]) ** 2
            add_leaf(P[i], d, np.cross(d, np.cross([0, 1, 0.2], d)) + r.normal(0, 0.25, 3), sc)
            s += step * r.uniform(0.6, 1.35)
            k += 1
        add_leaf(P[-1], T[-1], np.array([0.2, 1, -0.6]), 0.7)
    open(out + "/%s.inc" % name, "w").write(
        mesh2("M_%s_l" % name, np.vstack(LV), np.vstack(LF), np.vstack(LN), np.vstack(LU), inside=False)
        + mesh2("M_%s_s" % name, np.vstack(SV), np.vstack(SF))
    )


# ---------------- lemon -----------------
def lemon(out, name="lemon"):
    nu, nv = 96, 80
    th = np.linspace(0, 2 * np.pi, nu + 1)
    ph = np.linspace(0, np.pi, nv)
    TH, PH = np.meshgrid(th, ph)
    r = np.sin(PH) * 2.85
    x = -np.cos(PH) * 3.5
    nip = np.exp(-(((PH - np.pi) / 0.24) ** 2)) * 0.75 - np.exp(-((PH / 0.2) ** 2)) * 0.15
    x = x + nip
    r = r * (1 + 0.25 * np.exp(-(((PH - np.pi) / 0.45) ** 2)))
    d = 1 + 0.03 * vnoise(np.cos(TH) * 1.5, np.sin(TH) * 1.5, PH, seed=3)
    r = r * d
    V = np.stack([x, r * np.cos(TH), r * np.sin(TH)], -1).reshape(-1, 3)
    F = grid_faces(nu + 1, nv)
    open(out + "/%s.inc" % name, "w").write(mesh2("M_" + name, V, F, None, None))
