"""Shapes of a photograph by a general library, for bench/shapes.ts to stand beside.

Usage: reference-shapes.py PHOTO SHAPES WIDTH HEIGHT METHOD > labels (one byte a pixel)
METHOD slic: scikit-image's slic, its region adjacency graph merged by mean colour until SHAPES are left.
METHOD felzenszwalb: scikit-image's felzenszwalb, its graph merged in the same way.
"""
import sys

import numpy as np
from skimage import color, graph, io, segmentation, transform

if not hasattr(graph, "rag_mean_color"):  # until scikit-image 0.19 it stood in another module
    from skimage.future import graph

path, shapes, width, height, method = sys.argv[1], *map(int, sys.argv[2:5]), sys.argv[5]
photo = transform.resize(io.imread(path)[:, :, :3], (height, width), anti_aliasing=True)
lab = color.rgb2lab(photo)
if method == "slic":
    labels = segmentation.slic(photo, n_segments=600, compactness=10, start_label=0)
else:
    labels = segmentation.felzenszwalb(photo, scale=100, sigma=0.8, min_size=width * height // 1000)


def ward(one, two):
    """Rise of the squared error when two shapes become one (Ward 1963): size counts, so that no speck is left over."""
    n = one["pixel count"] * two["pixel count"] / (one["pixel count"] + two["pixel count"])
    return float(np.sqrt(n) * np.linalg.norm(one["mean color"] - two["mean color"]))


def weigh(rag, src, dst, n):
    return {"weight": ward(rag.nodes[dst], rag.nodes[n])}


merges = []


def pour(rag, src, dst):
    merges.append((src, dst))
    for key in ("total color", "pixel count"):
        rag.nodes[dst][key] = rag.nodes[dst][key] + rag.nodes[src][key]
    rag.nodes[dst]["mean color"] = rag.nodes[dst]["total color"] / rag.nodes[dst]["pixel count"]


rag = graph.rag_mean_color(lab, labels)
for a, b, data in rag.edges(data=True):
    data["weight"] = ward(rag.nodes[a], rag.nodes[b])
graph.merge_hierarchical(
    labels, rag, thresh=np.inf, rag_copy=False, in_place_merge=True, merge_func=pour, weight_func=weigh
)
# The library merges up to a threshold, down to one shape; the merges before the last SHAPES - 1 are taken.
home = np.arange(labels.max() + 1)
for src, dst in merges[: max(0, len(np.unique(labels)) - shapes)]:
    home[home == home[src]] = home[dst]
best = home[labels]
sys.stdout.buffer.write(np.unique(best, return_inverse=True)[1].reshape(-1).astype(np.uint8).tobytes())
