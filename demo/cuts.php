<?php

/*
 * The demo cuts of Saltmarsh Pottery as they stand on the shelf, the last one at the top. Where nothing is said of the
 * sheet, it begins as every new cut's does: one master, one upload for Lanternwick.
 */

$master = ['key' => '1', 'preset' => 'archive-10-bit', 'host' => null, 'edits' => []];

return [
    'screen-notes.mkv' => ['name' => 'Screen notes', 'outputs' => [['key' => '1', 'preset' => 'review-720', 'host' => null, 'edits' => []], ['key' => '2', 'preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => []]]],
    'ember-study.mov' => ['name' => 'Ember study'],
    'kiln-walk.mp4' => ['name' => 'Kiln walk'],
    'studio-short.mov' => ['name' => 'Studio short', 'outputs' => [$master, ['key' => '2', 'preset' => 'tallgate-upright', 'host' => 'tallgate', 'edits' => []]]],
    'drying-racks.mp4' => ['name' => 'Drying racks'],
    'glaze-tapes.mpg' => ['name' => 'Glaze tapes', 'outputs' => [['key' => '1', 'preset' => 'lossless-vault', 'host' => null, 'edits' => []], ['key' => '2', 'preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => []]]],
    'wheel-study.mp4' => ['name' => 'Wheel study'],
    'kiln-night-firing.mov' => ['name' => 'Night firing'],
];
