"""Measures of agreement of the tables in a JSON file, by other programs; rows are things, columns people, null is a gap."""

import json
import subprocess
import sys

import nltk
import numpy
import sklearn
import statsmodels
from nltk.metrics.agreement import AnnotationTask
from nltk.metrics.distance import binary_distance, interval_distance
from sklearn.metrics import cohen_kappa_score
from statsmodels.stats.inter_rater import aggregate_raters, fleiss_kappa


def alpha(table, distance):
    data = [
        (person, thing, value)
        for thing, row in enumerate(table)
        if sum(value is not None for value in row) > 1
        for person, value in enumerate(row)
        if value is not None
    ]
    return AnnotationTask(data=data, distance=distance).alpha()


def of(table):
    said = {"nominal": alpha(table, binary_distance), "interval": alpha(table, interval_distance)}
    if all(value is not None for row in table for value in row):
        said["fleiss"] = fleiss_kappa(aggregate_raters(numpy.array(table))[0])
        if len(table[0]) == 2:
            first, second = zip(*table)
            said["cohen"] = cohen_kappa_score(first, second)
            said["linear"] = cohen_kappa_score(first, second, weights="linear", labels=[1, 2, 3, 4, 5])
            said["quadratic"] = cohen_kappa_score(first, second, weights="quadratic", labels=[1, 2, 3, 4, 5])
    return {name: round(float(value), 8) for name, value in said.items()}


tables = json.load(open(sys.argv[1]))
version = f"nltk {nltk.__version__}, scikit-learn {sklearn.__version__}, statsmodels {statsmodels.__version__}"
said = [{"table": [" ".join(str(value or "-") for value in row) for row in table], **of(table)} for table in tables]
print(json.dumps({"version": version, "said": said}))
