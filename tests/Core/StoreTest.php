<?php

use OuterCrate\Presets\Role;
use OuterCrate\Store\Keeping;
use OuterCrate\Store\StoredFile;
use OuterCrate\Units\FrameRange;

it('keeps a master while no other that stays holds its frames', function (array $cleared, array $gone, array $kept, array $sending = []) {
    $file = fn (int $id, int $cut, Role $role, int $first, int $last): StoredFile => new StoredFile(
        $id, $cut, $role, new FrameRange($first, $last),
    );
    $stored = [
        $file(1, 1, Role::Master, 0, 99), $file(2, 1, Role::Master, 0, 99), $file(3, 1, Role::Master, 20, 30),
        $file(4, 1, Role::Upload, 0, 99), $file(5, 2, Role::Master, 0, 99), $file(6, 2, Role::Upload, 0, 99),
    ];
    expect(array_keys(Keeping::of($stored, $cleared, $gone, $sending)))->toBe($kept);
})->with([
    'an upload' => [[4], [], []],
    'one of two masters' => [[1], [], []],
    'both' => [[1, 2], [], [1, 2]],
    'both, and a piece that holds less' => [[1, 2, 3], [], [1, 2, 3]],
    'a piece that a whole one holds' => [[3], [], []],
    'the whole, with a piece left' => [[1, 2, 4], [], [1, 2]],
    'the only one of another cut' => [[5], [], [5]],
    'what could not be made again' => [[1, 6], [2], [6]],
    'an upload that is still to be sent' => [[1, 4], [], [4], [4]],
    'another upload than the one to be sent' => [[6], [], [], [4]],
    'one of two masters, of a cut that is gone' => [[1], [1], [1]],
]);
