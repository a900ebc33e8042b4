<!doctype html>
<html lang="{{ $video->details['language'] ?? 'en' }}">
<head>
<meta charset="utf-8">
<title>{{ $video->details['title'] ?? 'untitled' }} · stand-in of {{ $host }}</title>
<style>
body { font: 16px/1.5 monospace; background: #10242c; color: #d7f0e4; max-width: 60rem; margin: 2rem auto; padding: 0 1rem }
h1 { font-weight: normal } video { width: 100%; background: #000 } a { color: #ffd98a } pre { white-space: pre-wrap; font: inherit }
</style>
</head>
<body>
<p>*** stand-in of {{ $host }} ***</p>
@php($ready = $video->renditions->where('state', 'ready'))
@if ($ready->isEmpty())
<p>Being prepared. {{ $video->reason }}</p>
@else
<video controls preload="metadata" src="/pages/{{ $video->id }}/{{ $ready->last()->lines }}.mp4"
@if ($video->thumbnail) poster="/pages/{{ $video->id }}/pictures/{{ $video->thumbnail }}" @endif
>
@foreach ($video->captions as $caption)
<track kind="captions" srclang="{{ $caption->language }}" label="{{ $caption->language }}"
    src="/pages/{{ $video->id }}/captions/{{ $caption->language }}.vtt">
@endforeach
</video>
<p>
@foreach ($ready as $one)
<a href="/pages/{{ $video->id }}/{{ $one->lines }}.mp4">{{ $one->lines }}</a> ({{ $one->codec }})
@endforeach
</p>
@endif
<h1>{{ $video->details['title'] ?? 'untitled' }}</h1>
<pre>{{ $video->details['description'] ?? '' }}</pre>
<p>{{ implode(' ', array_map(fn ($tag) => "#{$tag}", $video->details['tags'] ?? [])) }}</p>
</body>
</html>
