Someone asked for a new password for your studio in Knotty Prism.

Open this page to set one. It works for {{ $minutes }} minutes.

{!! $url !!}

If it was not you, leave this message be: nothing has changed.
