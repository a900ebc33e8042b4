<?php

use Tests\Support\InstalledPackages;

/*
 * What is installed is what was looked at: names, versions and contents of PHP packages, integrity of npm's, and the licences of both.
 */

/** Licences under which we may ship or use a package. */
const LICENCES = [
    'MIT', 'MIT-0', 'BSD-2-Clause', 'BSD-3-Clause', '0BSD', 'ISC', 'Apache-2.0', 'BlueOak-1.0.0', 'CC0-1.0', 'OFL-1.1', 'Unlicense',
    // Of tools that are only run: they are not part of what is shipped.
    'MPL-2.0', 'Python-2.0', 'PSF-2.0', 'MIT OR Apache-2.0',
];

/** Packages that may be had under one of several licences, of which one is ours, or that do not name theirs in the usual place. */
const CHOSEN = [
    'nette/schema' => 'BSD-3-Clause', 'nette/utils' => 'BSD-3-Clause',
    // Its Readme alone says so.
    'node_modules/combine-errors' => 'MIT',
];

it('has the PHP packages that are listed, in these versions and with these contents', function () {
    $listed = (string) file_get_contents(InstalledPackages::LIST);
    $installed = InstalledPackages::text();
    expect(array_values(array_diff(explode("\n", $installed), explode("\n", $listed))))
        ->toBe([], 'After a deliberate change, commit the list anew: '.InstalledPackages::LIST)
        ->and($installed)->toBe($listed);
});

it('requires every PHP package in one exact version', function () {
    $composer = json_decode((string) file_get_contents(base_path('composer.json')), true);
    $required = array_diff_key($composer['require'] + $composer['require-dev'], ['php' => true]);
    ksort($required);
    expect($required)->toBe(array_map(fn (array $package): string => $package['version'], InstalledPackages::all()));
});

it('has an integrity hash for every npm package', function () {
    $packages = json_decode((string) file_get_contents(base_path('package-lock.json')), true)['packages'];
    unset($packages['']);
    // What a package brings within itself is covered by its own hash.
    $loose = array_filter($packages, fn (array $package): bool => ! isset($package['integrity']) && ! ($package['inBundle'] ?? false));
    expect(array_keys($loose))->toBe([]);
});

it('uses nothing under a licence that was not looked at', function () {
    $unknown = [];
    foreach (InstalledPackages::all() as $name => $package) {
        $licences = isset(CHOSEN[$name]) ? [CHOSEN[$name]] : $package['license'];
        array_diff($licences, LICENCES) === [] && $licences !== [] ?: $unknown[$name] = implode(', ', $package['license']);
    }
    foreach (json_decode((string) file_get_contents(base_path('package-lock.json')), true)['packages'] as $path => $package) {
        if ($path === '' || ($package['inBundle'] ?? false)) {
            continue;
        }
        $own = base_path("{$path}/package.json");
        $told = CHOSEN[$path] ?? $package['license'] ?? json_decode((string) @file_get_contents($own), true)['license'] ?? 'none';
        in_array($told, LICENCES, true) ?: $unknown[$path] = $told;
    }
    expect($unknown)->toBe([]);
});
