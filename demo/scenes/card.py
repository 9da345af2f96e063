"""The colour card of the house: reads its open description and draws its face as a linear picture for the scenes."""
import os
import numpy as np
from geometry import png16

FILE = os.path.join(os.path.dirname(os.path.abspath(__file__)), "../card/ombrel-card.txt")
XYZ_TO_SRGB = np.array([[3.2404541621, -1.5371385128, -0.4985314096], [-0.9692660305, 1.8760108454, 0.0415560175], [0.0556434310, -0.2040259135, 1.0572251882]])
D65 = np.array([0.95047, 1.0, 1.08883])


def lab_to_linear(lab):
    """CIELAB relative to D65 into linear sRGB (CIE 15:2018, equations 8.3 to 8.8 inverted)."""
    f = (lab[0] + 16) / 116
    t = np.array([f + lab[1] / 500, f, f - lab[2] / 200])
    xyz = D65 * np.where(t > 6 / 29, t**3, 3 * (6 / 29) ** 2 * (t - 4 / 29))
    return XYZ_TO_SRGB @ xyz


def read(path=FILE):
    """The card: size (w, h) in mm, body (Lab), patches (name, kind, x, y, r, lab) and marks (x, y, r, hole)."""
    card = dict(patches=[], marks=[])
    with open(path, encoding="utf-8") as f:
        lines = f.readlines()
    for line in lines:
        words = line.split("#")[0].split()
        if not words:
            continue
        numbers = [float(w) for w in words[3 if words[0] == "patch" else 1 :]]
        if words[0] == "size":
            card["size"] = tuple(numbers)
        elif words[0] == "body":
            card["body"] = np.array(numbers)
        elif words[0] == "mark":
            card["marks"].append(tuple(numbers))
        elif words[0] == "patch":
            x, y, r, *lab = numbers
            card["patches"].append(dict(name=words[1], kind=words[2], x=x, y=y, r=r, lab=np.array(lab)))
    return card


def draw(path, per_mm=10):
    """The face of the card, linear sRGB, edges softened over half a sample."""
    card = read()
    w, h = (int(round(v * per_mm)) for v in card["size"])
    x, y = np.meshgrid((np.arange(w) + 0.5) / per_mm, (np.arange(h) + 0.5) / per_mm)
    face = np.zeros((h, w, 3)) + lab_to_linear(card["body"])

    def lay(mask, colour):
        nonlocal face
        face = face * (1 - mask[..., None]) + colour * mask[..., None]

    def disc(cx, cy, r):
        return np.clip((r - np.hypot(x - cx, y - cy)) * per_mm + 0.5, 0, 1)

    for p in card["patches"]:
        if p["kind"] == "stair":  # a step reaches down to the card's foot line
            inside = np.minimum(np.minimum(x - (p["x"] - p["r"]), p["x"] + p["r"] - x), np.minimum(y - (p["y"] - p["r"]), 96.0 - y))
            lay(np.clip(inside * per_mm + 0.5, 0, 1), lab_to_linear(p["lab"]))
        else:
            lay(disc(p["x"], p["y"], p["r"]), lab_to_linear(p["lab"]))
    for cx, cy, r, hole in card["marks"]:
        lay(disc(cx, cy, r), np.array([0.018] * 3))
        lay(disc(cx, cy, hole), np.array([0.80] * 3))
    if face.min() < 0 or face.max() > 1:
        raise ValueError("a patch of the card lies outside sRGB")
    png16(path, face)
