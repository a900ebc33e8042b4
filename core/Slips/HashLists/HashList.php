<?php

declare(strict_types=1);

namespace OuterCrate\Slips\HashLists;

use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use XMLWriter;

/**
 * A generation of an ASC Media Hash List, version 2.0: the files of a folder with what they sum up to, which others check after every
 * copy; and the chain of generations that says that no list was changed since.
 */
final class HashList
{
    /** Folder of the lists, within the one that they are of. */
    public const FOLDER = 'ascmhl';

    public const CHAIN = 'ascmhl_chain.xml';

    private const LIST = 'urn:ASC:MHL:v2.0';

    private const DIRECTORY = 'urn:ASC:MHL:DIRECTORY:v2.0';

    /** Files that come and go with the machine, and the lists themselves. */
    private const IGNORED = ['.DS_Store', 'ascmhl', 'ascmhl/'];

    /**
     * @param  string  $folder  name of the folder
     * @param  int  $number  of the generation, from 1 on
     */
    public static function name(string $folder, int $number, DateTimeImmutable $at): string
    {
        return sprintf('%04d_%s_%s.mhl', $number, $folder, $at->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d_His\Z'));
    }

    /**
     * @param  list<HashedFile>  $files
     * @param  string  $host  name of the machine
     */
    public static function of(array $files, DateTimeImmutable $at, string $host, string $tool, string $version): string
    {
        $xml = self::begun('hashlist', self::LIST);
        $xml->writeAttribute('version', '2.0');
        $xml->startElement('creatorinfo');
        $xml->writeElement('creationdate', self::time($at));
        $xml->writeElement('hostname', $host);
        $xml->startElement('tool');
        $xml->writeAttribute('version', $version);
        $xml->text($tool);
        $xml->endElement();
        $xml->endElement();
        $xml->startElement('processinfo');
        $xml->writeElement('process', 'in-place');
        $xml->startElement('ignore');
        array_map(static fn (string $pattern): bool => $xml->writeElement('pattern', $pattern), self::IGNORED);
        $xml->endElement();
        $xml->endElement();
        $xml->startElement('hashes');
        foreach ($files as $file) {
            self::file($xml, $file);
        }

        return self::ended($xml);
    }

    /** @param  non-empty-list<array{name: string, content: string}>  $lists  of all generations, in their order */
    public static function chain(array $lists): string
    {
        $xml = self::begun('ascmhldirectory', self::DIRECTORY);
        foreach ($lists as $i => ['name' => $name, 'content' => $content]) {
            $xml->startElement('hashlist');
            $xml->writeAttribute('sequencenr', (string) ($i + 1));
            $xml->writeElement('path', $name);
            $xml->writeElement('c4', C4::of($content));
            $xml->endElement();
        }

        return self::ended($xml);
    }

    private static function file(XMLWriter $xml, HashedFile $file): void
    {
        $xml->startElement('hash');
        $xml->startElement('path');
        $xml->writeAttribute('size', (string) $file->bytes);
        $xml->writeAttribute('lastmodificationdate', self::time($file->modified));
        $xml->text($file->path);
        $xml->endElement();
        $xml->startElement('xxh64');
        $xml->writeAttribute('action', 'original');
        $xml->writeAttribute('hashdate', self::time($file->hashed));
        $xml->text($file->xxh64);
        $xml->endElement();
        $xml->endElement();
    }

    private static function begun(string $root, string $namespace): XMLWriter
    {
        $xml = new XMLWriter;
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->setIndentString('  ');
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElementNs(null, $root, $namespace);

        return $xml;
    }

    private static function ended(XMLWriter $xml): string
    {
        $xml->endDocument();

        return $xml->outputMemory();
    }

    private static function time(DateTimeImmutable $at): string
    {
        return $at->format(DateTimeInterface::ATOM);
    }
}
