<?php

namespace Tests\Support;

use FilesystemIterator;
use PhpToken;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** What the files of PHP of a folder name: classes as they are written whole, and functions that are called. */
final class Sources
{
    /** @var array<string, array<string, list<string>>> by folder */
    private static array $known = [];

    /**
     * @param  string  $folder  of the project
     * @return array<string, list<string>> names by path below the project
     */
    public static function names(string $folder): array
    {
        return self::$known[$folder] ??= self::read($folder);
    }

    /**
     * Which files name any of these; a name that ends in a backslash stands for all below it.
     *
     * @param  list<string>  $names
     * @param  list<string>  $except  folders and files
     * @return list<string> "file names Name"
     */
    public static function naming(array $names, array $folders, array $except = []): array
    {
        $found = [];
        foreach (array_merge(...array_map(self::names(...), $folders)) as $file => $named) {
            if (array_filter($except, fn (string $one): bool => str_starts_with($file, $one)) !== []) {
                continue;
            }
            foreach ($named as $name) {
                foreach ($names as $wanted) {
                    if ($name === $wanted || (str_ends_with($wanted, '\\') && str_starts_with($name, $wanted))) {
                        $found[] = "{$file} names {$name}";
                    }
                }
            }
        }

        return $found;
    }

    /** @return list<string> */
    public static function of(string $code): array
    {
        $tokens = array_values(array_filter(PhpToken::tokenize($code), fn (PhpToken $token): bool => ! $token->isIgnorable()));
        $names = [];
        foreach ($tokens as $i => $token) {
            $before = $tokens[$i - 1]->text ?? '';
            $isCalled = ($tokens[$i + 1]->text ?? '') === '(' && ! in_array($before, ['->', '?->', '::', 'function', 'new'], true);
            if ($token->is([T_NAME_QUALIFIED, T_NAME_FULLY_QUALIFIED])) {
                $names[] = ltrim($token->text, '\\');
            } elseif ($token->is(T_EXIT) || ($token->is(T_STRING) && $isCalled)) {
                $names[] = $token->text;
            }
        }

        return array_values(array_unique($names));
    }

    /** @return array<string, list<string>> */
    private static function read(string $folder): array
    {
        $root = dirname(__DIR__, 2);
        $names = [];
        $there = new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS);
        foreach (new RecursiveIteratorIterator($there) as $file) {
            if ($file->getExtension() === 'php') {
                $names[substr($file->getPathname(), strlen($root) + 1)] = self::of((string) file_get_contents($file->getPathname()));
            }
        }

        return $names;
    }
}
