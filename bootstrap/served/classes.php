<?php

/*
 * Names of the packages' classes that the calls take that pages make twice a second, one a line: preload.php has the server link them once.
 * Our own are left out: who changes one sees it without starting the server anew.
 */

use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;

require __DIR__.'/../../vendor/autoload.php';
$declared = static fn (): array => [...get_declared_interfaces(), ...get_declared_traits(), ...get_declared_classes()];
// What packages declare before anything is looked for, each request declares itself.
$before = $declared();
$kernel = (require __DIR__.'/../app.php')->make(Kernel::class);
foreach (['/api/machine', '/api/runs?latest=8&first=4'] as $address) {
    $kernel->handle(Request::create($address));
}
$packages = realpath(__DIR__.'/../../vendor').'/';
foreach (array_diff($declared(), $before) as $name) {
    $class = new ReflectionClass($name);
    if (str_starts_with((string) $class->getFileName(), $packages) && ! $class->isAnonymous()) {
        echo $name, "\n";
    }
}
