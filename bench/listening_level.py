#!/usr/bin/env python3
"""How loud the patches of a listening round are heard, measured by a second implementation of ITU-R BS.1770-4 (numpy, scipy).

usage: python3 bench/listening_level.py http://127.0.0.1:8080 ROUND
For every place of the round: the category's phrase as a sound file of the application, at the gain that the round gives it; integrated loudness after both
gates, and the largest oversampled (4x) peak. Prints the places that are off, and the spread.
"""
import html
import io
import json
import re
import sys
import urllib.request
import wave

import numpy as np
from scipy import signal

SHELF = ([1.53512485958697, -2.69169619940638, 1.19839281085285], [1, -1.69065929318241, 0.73248077421585])
HIGH_PASS = ([1, -2, 1], [1, -1.99004745483398, 0.99007225036621])


def get(url):
    with urllib.request.urlopen(url) as answer:
        return answer.read()


def samples(data):
    with wave.open(io.BytesIO(data)) as file:
        raw = np.frombuffer(file.readframes(file.getnframes()), np.uint8).reshape(-1, 3)
        whole = (raw[:, 0].astype(np.int32) | raw[:, 1].astype(np.int32) << 8 | raw[:, 2].astype(np.int8).astype(np.int32) << 16) / 2 ** 23
        return whole.reshape(-1, file.getnchannels()).T


def integrated(channels, rate=48000):
    weighted = [signal.lfilter(*HIGH_PASS, signal.lfilter(*SHELF, c)) for c in channels]
    block, step = int(0.4 * rate), int(0.1 * rate)
    power = np.array([sum(np.mean(c[i:i + block] ** 2) for c in weighted) for i in range(0, len(weighted[0]) - block + 1, step)])
    loud = lambda p: -0.691 + 10 * np.log10(p)
    power = power[loud(power + 1e-20) > -70]
    return loud(np.mean(power[loud(power) > loud(np.mean(power)) - 10]))


def main():
    address, round_id = sys.argv[1], sys.argv[2]
    page = get(f"{address}/rounds/{round_id}").decode()
    about = json.loads(html.unescape(re.search(r'data-page="([^"]*)"', page).group(1)))
    off, held, peaks = [], 0, []
    for place in range(1, about["places"] + 1):
        fragment = get(f"{address}/rounds/{round_id}/places/{place}?reviewer={about['reviewer']}").decode()
        playable = json.loads(html.unescape(re.search(r'data-playable="([^"]*)"', fragment).group(1)))
        audio = samples(get(f"{address}/patches/{playable['id']}/clip.wav?notes=phrase")) * 10 ** (playable["matchedDb"] / 20)
        loudness = integrated(audio) + 23
        peak = 20 * np.log10(max(np.max(np.abs(signal.resample_poly(c, 4, 1))) for c in audio))
        peaks.append(peak)
        if "held below" in fragment:
            held += 1
            print(f"{place:4d} {playable['name']}: held by its peaks, {loudness:+.2f} LU, {peak:.2f} dBTP")
        else:
            off.append(loudness)
            if abs(loudness) > 0.1:
                print(f"{place:4d} {playable['name']}: {loudness:+.2f} LU")
    print(f"{len(off)} places: {min(off):+.3f} to {max(off):+.3f} LU from -23 LUFS; {held} held; highest peak {max(peaks):.2f} dBTP")


main()
