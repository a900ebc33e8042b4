<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Stand-in host</title>
<style>
body { font: 16px/1.5 monospace; background: #10242c; color: #d7f0e4; max-width: 70rem; margin: 2rem auto; padding: 0 1rem }
h1, h2 { font-weight: normal; border-bottom: 3px double #4fa98a } a { color: #ffd98a }
td, th { text-align: left; padding: .2rem 1rem .2rem 0 }
form { display: inline } input { font: inherit; width: 8rem; background: #183a45; color: inherit; border: 1px solid #4fa98a }
button { font: inherit; background: #4fa98a; border: 0; padding: .1rem .8rem; color: #06231a }
</style>
</head>
<body>
<h1>*** Stand-in host service ***</h1>
<p>A simulation of Lanternwick, Platen, Tallgate and Orrery, for trying out what is sent. Nothing here leaves this machine.</p>
<h2>Faults on demand</h2>
<table>
@foreach ($faults as $name => [$does, $usual])
<tr>
<th scope="row">{{ $name }}</th>
<td>{{ $does }}</td>
<td>{{ isset($on[$name]) ? 'ON '.json_encode((object) $on[$name]) : 'off' }}</td>
<td><form method="post" action="/faults"><input type="hidden" name="name" value="{{ $name }}">
@if (isset($on[$name]))
<button name="switch" value="off">switch off</button>
@else
@foreach ($usual as $key => $value)
<label>{{ $key }} <input name="{{ $key }}" value="{{ $value }}"></label>
@endforeach
<button name="switch" value="on">switch on</button>
@endif
</form></td>
</tr>
@endforeach
</table>
<h2>Videos</h2>
@forelse ($videos as $video)
<p>{{ $video->account->host }} / {{ $video->account->name }} ·
@if ($video->visibility === 'private')
{{ $video->details['title'] ?? 'untitled' }}
@else
<a href="/pages/{{ $video->id }}">{{ $video->details['title'] ?? 'untitled' }}</a>
@endif
· {{ $video->visibility }} · {{ $video->state }} {{ $video->reason }} ·
@foreach ($video->renditions as $one) {{ $one->lines }} {{ $one->codec }} {{ $one->state }}; @endforeach</p>
@empty
<p>None yet.</p>
@endforelse
</body>
</html>
