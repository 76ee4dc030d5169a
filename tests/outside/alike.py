"""The ten nearest of each text by scikit-learn: TF-IDF and the cosine, as they are by default."""
import json
import sys

import sklearn
from sklearn.feature_extraction.text import TfidfVectorizer
from sklearn.metrics.pairwise import cosine_similarity

texts = json.load(open(sys.argv[1]))
ids = [one for one, _ in texts]
likeness = cosine_similarity(TfidfVectorizer().fit_transform([text for _, text in texts]))
said = {}
for i, one in enumerate(ids):
    order = sorted((j for j in range(len(ids)) if j != i), key=lambda j: (-likeness[i, j], ids[j]))
    said[one] = [[ids[j], round(float(likeness[i, j]), 6)] for j in order[:10]]
print(json.dumps({"version": "scikit-learn " + sklearn.__version__, "said": said}))
