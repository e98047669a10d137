package dev.restis.core.batch.search;

/** Where each maker is before each parcel of their line, so that a trial begins in the middle and ends where it stands as before. */
final class Stations {

    private static final int FIGURES = 7;

    private final long[][] stations;

    Stations(Model model) {
        stations = new long[model.makers][(model.parcels + 2) * FIGURES];
    }

    void write(int maker, int at, Place place) {
        long[] of = stations[maker];
        int i = at * FIGURES;
        of[i] = place.day;
        of[i + 1] = place.left;
        of[i + 2] = place.bench;
        of[i + 3] = place.batchDay;
        of[i + 4] = place.batchGroup;
        of[i + 5] = place.batchPieces;
        of[i + 6] = place.batchSeconds;
    }

    void read(int maker, int at, Place place) {
        place.start(maker);
        long[] of = stations[maker];
        int i = at * FIGURES;
        place.day = (int) of[i];
        place.left = of[i + 1];
        place.bench = (int) of[i + 2];
        place.batchDay = (int) of[i + 3];
        place.batchGroup = (int) of[i + 4];
        place.batchPieces = (int) of[i + 5];
        place.batchSeconds = of[i + 6];
    }

    boolean stands(int maker, int at, Place place) {
        long[] of = stations[maker];
        int i = at * FIGURES;
        return of[i + 1] == place.left
                && of[i] == place.day
                && of[i + 2] == place.bench
                && of[i + 6] == place.batchSeconds
                && of[i + 5] == place.batchPieces
                && of[i + 4] == place.batchGroup
                && of[i + 3] == place.batchDay;
    }
}
