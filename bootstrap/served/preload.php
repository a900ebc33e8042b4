<?php

/*
 * Read once when the server starts (opcache.preload): the classes that CRATE_CLASSES names are linked for all answers. Composer's functions
 * are left to each request, which declares them itself.
 */

(static function (): void {
    $packages = __DIR__.'/../../vendor';
    require "{$packages}/composer/ClassLoader.php";
    $loader = new Composer\Autoload\ClassLoader;
    foreach (require "{$packages}/composer/autoload_psr4.php" as $prefix => $folders) {
        $loader->setPsr4($prefix, $folders);
    }
    $loader->addClassMap(require "{$packages}/composer/autoload_classmap.php");
    $loader->register();
    foreach (file((string) getenv('CRATE_CLASSES'), FILE_IGNORE_NEW_LINES) ?: [] as $class) {
        class_exists($class);
    }
    $loader->unregister();
})();
